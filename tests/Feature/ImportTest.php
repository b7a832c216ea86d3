<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use Illuminate\Http\UploadedFile;
use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\Document\OdtWriter;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Kinds;
use PHPUnit\Framework\Attributes\DataProvider;
/** Items that are made from files. */
use Symfony\Component\HttpFoundation\StreamedResponse;
use Tests\Core\RandomContent;

final class ImportTest extends FeatureCase
{
    private Shelf $shelf;

    protected function setUp(): void
    {
        parent::setUp();
        $ines = $this->person('Ines Oduya');
        $this->shelf = $this->shelf('Volunteers', [[$ines, Role::Owner]]);
        $this->actingAs($ines);
    }

    public function test_a_document_is_made_from_a_file_with_its_pictures(): void
    {
        $pixel = (string) base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==');
        $tree = PartTree::of([
            new Part('paaa', 'heading', 0, ['level' => 1, 'text' => RichText::plain('Opening')]),
            new Part('pbbb', 'picture', 0, ['chunk' => bin2hex(Address::of($pixel)), 'alt' => 'A bench', 'width' => 1, 'height' => 1]),
        ]);
        $odt = (new OdtWriter)->write('Opening', $tree, fn () => 'data:image/png;base64,'.base64_encode($pixel));
        $this->post(route('shelf.make', $this->shelf), [
            'file' => UploadedFile::fake()->createWithContent('Opening checks.odt', $odt),
        ])->assertRedirect();
        $item = Item::query()->where('title', 'Opening checks')->firstOrFail();
        self::assertSame(['heading', 'picture'], array_column($this->tree($item)->parts, 'role'));
        self::assertSame(1, $item->head);
        $this->get(route('picture', [$item, bin2hex(Address::of($pixel))]))->assertOk();
        $this->assertVerified();

        $markdown = "# Hello\n\n![elsewhere](https://example.org/x.png)\n\n- one\n";
        $this->post(route('shelf.make', $this->shelf), [
            'title' => 'Named',
            'file' => UploadedFile::fake()->createWithContent('x.md', $markdown),
        ])->assertRedirect();
        self::assertSame(
            ['heading', 'item'],
            array_column($this->tree(Item::query()->where('title', 'Named')->firstOrFail())->parts, 'role'),
        );
    }

    /** @return array<string, array{string}> */
    public static function kinds(): array
    {
        return array_combine(
            $names = ['document', 'spreadsheet', 'dataset', 'form', 'page'],
            array_map(fn (string $name) => [$name], $names),
        );
    }

    #[DataProvider('kinds')]
    public function test_json_of_any_kind_comes_in_as_a_new_item_and_as_the_next_version(string $name): void
    {
        $random = new RandomContent(random_int(1, 1_000_000), $name);
        $item = $this->app
            ->make(MakeItem::class)
            ->handle(
                $this->shelf,
                $this->shelf->memberships()->firstOrFail()->user,
                $name,
                'First',
                content: new Content(Kinds::named($name), $random->tree(12)),
            );
        $json = (string) $this->get(route('download', [$item, 1, 'json']))
            ->assertOk()
            ->assertHeader('Content-Type', 'application/json')
            ->getContent();
        $file = UploadedFile::fake()->createWithContent('first.json', $json);
        $first = $this->tree($item->refresh());
        $this->post(route('shelf.make', $this->shelf), [
            'kind' => $name === 'dataset' ? null : $name,
            'title' => 'Second',
            'file' => $file,
        ])->assertSessionHasNoErrors();
        $second = $this->tree(Item::query()->where('title', 'Second')->firstOrFail());
        self::assertSame(array_column($first->parts, 'role'), array_column($second->parts, 'role'));
        if ($name === 'form') {
            self::assertTrue($first->equals($second), 'Rules name questions by their ids');
        }
        // As the next version every part is itself again.
        do {
            do {
                $edited = $random->edited($first, 4);
                // A picture that nobody sent is refused, and what changes nothing is no version.
            } while (
                array_diff(Kinds::chunks(Kinds::named($name), $edited), Kinds::chunks(Kinds::named($name), $first)) !== []
                || $edited->equals($first)
            );
            $this->save($item->refresh(), $this->shelf->memberships()->firstOrFail()->user, $edited);
            // What went and came again elsewhere as the same is itself still, once it is saved.
        } while ($this->tree($item->refresh())->equals($first));
        $this->post(route('item.file.store', $item), ['file' => $file])->assertSessionHasNoErrors();
        // What formulas give is calculated again.
        $bare = fn (PartTree $tree): array => array_map(
            fn (Part $part) => $part->record(),
            Consequences::withoutResults(Kinds::named($name), $tree)->parts,
        );
        self::assertSame($bare($first), $bare($this->tree($item->refresh())), "seed {$random->seed}");
        $this->assertVerified();
        $this->post(route('item.file.store', $item), [
            'file' => UploadedFile::fake()->createWithContent('other.json', '{"kind": "report", "parts": []}'),
        ])->assertSessionHasErrors('file');
    }

    /** Rows and columns between others in which nothing is written have their place in it, and sums their range. */
    #[DataProvider('workbooks')]
    public function test_a_workbook_that_went_out_comes_in_as_the_same(string $format, int $seed): void
    {
        mt_srand($seed);
        $columns = array_map(fn (int $at): string => "col{$at}", range(1, mt_rand(2, 5)));
        $rows = array_map(fn (int $at): string => "row{$at}", range(1, mt_rand(3, 9)));
        $blank = array_filter($columns, fn (): bool => mt_rand(0, 3) === 0);
        $parts = [
            new Part('tab1', 'tab', 0, ['name' => 'Log', 'frozen' => mt_rand(0, 1)]),
            ...array_map(fn (string $id): Part => new Part($id, 'column', 1, ['width' => 0, 'format' => '']), $columns),
        ];
        foreach ($rows as $row) {
            $isBlank = mt_rand(0, 2) === 0;
            $fields = [];
            foreach (array_diff($columns, $blank) as $column) {
                $value = match (mt_rand(0, 4)) {
                    0 => 'tag '.mt_rand(0, 4), 1 => mt_rand(0, 40), 2 => mt_rand(1, 9) / 4, default => null
                };
                $isBlank || $value === null || $fields[$column] = $value;
            }
            $parts[] = new Part($row, 'row', 1, $fields);
        }
        $sum = "SUM([{$rows[0]}.{$columns[0]}]:[{$rows[count($rows) - 1]}.{$columns[0]}])";
        $parts[] = new Part(
            'rsum',
            'row',
            1,
            array_combine(
                $columns,
                array_map(
                    fn (string $column): array => ['=', "SUM([{$rows[0]}.{$column}]:[{$rows[count($rows) - 1]}.{$column}])"],
                    $columns,
                ),
            ),
        );
        $owner = $this->shelf->memberships()->firstOrFail()->user;
        $item = $this->app
            ->make(MakeItem::class)
            ->handle(
                $this->shelf,
                $owner,
                'spreadsheet',
                'Log',
                content: new Content(Kinds::named('spreadsheet'), PartTree::of($parts)),
                keepIds: true,
            );
        $root = $item->refresh()->root;
        $this->post(route('item.file.store', $item), [
            'file' => UploadedFile::fake()->createWithContent("log.{$format}", $this->downloaded($item, $format)),
        ])->assertSessionHasErrors(['file' => 'The file holds what is there already. Nothing was changed.']);
        self::assertSame($root, $item->refresh()->root);
        // Somebody put a row in and typed in what was blank: nothing else is another thing.
        $other = $parts;
        array_splice($other, count($columns) + 2, 0, [new Part('rnew', 'row', 1, [$columns[0] => 'a new one'])]);
        $copy = $this->app
            ->make(MakeItem::class)
            ->handle(
                $this->shelf,
                $owner,
                'spreadsheet',
                'Log of others',
                content: new Content(Kinds::named('spreadsheet'), PartTree::of($other)),
                keepIds: true,
            );
        $this->post(route('item.file.store', $item), [
            'file' => UploadedFile::fake()->createWithContent("log.{$format}", $this->downloaded($copy->refresh(), $format)),
        ])->assertSessionHasNoErrors();
        $ids = fn (PartTree $tree): array => array_values(array_diff(array_column($tree->parts, 'id'), ['rnew']));
        $tree = $this->tree($item->refresh());
        self::assertSame(
            $ids(PartTree::of($other)),
            array_values(array_filter($ids($tree), fn (string $id): bool => in_array($id, $ids(PartTree::of($other)), true))),
        );
        self::assertSame($sum, Cell::formula($tree->get('rsum')->fields[$columns[0]]));
    }

    /** @return iterable<string, array{string, int}> */
    public static function workbooks(): iterable
    {
        foreach (['xlsx', 'ods'] as $format) {
            foreach (range(1, 12) as $seed) {
                yield "{$format} {$seed}" => [$format, $seed];
            }
        }
    }

    private function downloaded(Item $item, string $format): string
    {
        $answer = $this->get(route('download', [$item, $item->head, $format]))->assertOk();

        return $answer->baseResponse instanceof StreamedResponse ? $answer->streamedContent() : (string) $answer->getContent();
    }

    public function test_a_text_is_read_as_it_is_written_and_asked_about_where_it_does_not_say(): void
    {
        $make = fn (string $name, string $bytes, array $more = []) => $this->post(route('shelf.make', $this->shelf), [
            'title' => $name,
            'file' => UploadedFile::fake()->createWithContent($name, $bytes),
            ...$more,
        ]);
        $texts = fn (string $title): string => (string) json_encode(
            array_map(fn (Part $part) => $part->toJson(), $this->tree(Item::query()->where('title', $title)->firstOrFail())->parts),
            JSON_UNESCAPED_UNICODE,
        );
        $make('utf16.csv', "\xFF\xFE".mb_convert_encoding("Name;Betrag\nMüller;5\n", 'UTF-16LE', 'UTF-8'))->assertRedirect();
        self::assertStringContainsString('Müller', $texts('utf16.csv'));
        $make(
            'meta.html',
            mb_convert_encoding(
                '<html><head><meta charset="windows-1252"></head><body><p>Grüße — “so”</p></body></html>',
                'Windows-1252',
                'UTF-8',
            ),
        )->assertRedirect();
        self::assertStringContainsString('Grüße — “so”', $texts('meta.html'));
        $old = mb_convert_encoding("Name;Betrag\nMüller;5\nGroß;7\n", 'Windows-1252', 'UTF-8');
        $page = $make('old.csv', $old)
            ->assertOk()
            ->assertSee('How is “old.csv” written?')
            ->assertSee('Müller, Groß')
            ->assertSee('Cyrillic')
            ->assertDontSee('Central European');
        self::assertSame(2, Item::query()->count());
        preg_match('/name="kept" value="([^"]+)"/', (string) $page->getContent(), $kept);
        $this->post(route('shelf.make', $this->shelf), [
            'title' => 'old.csv',
            'kept' => $kept[1] ?? '',
            'encoding' => 'Windows-1252',
        ])->assertRedirect();
        self::assertStringContainsString('Müller', $texts('old.csv'));
        // What no reading fits is asked again, and what is no text is refused.
        $this->post(route('shelf.make', $this->shelf), ['title' => 'x', 'kept' => $kept[1] ?? '', 'encoding' => 'UTF-7'])
            ->assertOk()
            ->assertSee('How is “old.csv” written?');
        $make(
            'noise.csv',
            implode('', array_map(fn (int $at) => hash('sha256', (string) $at, true), range(1, 160))),
        )->assertSessionHasErrors(['file' => 'This file can not be read: it is no text.']);
        // As data, and as the next version, too.
        $look = $this->post(route('dataset.look', $this->shelf), [
            'file' => UploadedFile::fake()->createWithContent('old.csv', $old),
        ])->assertOk();
        preg_match('/name="kept" value="([^"]+)"/', (string) $look->getContent(), $kept);
        $look = $this->post(route('dataset.look', $this->shelf), ['kept' => $kept[1] ?? '', 'encoding' => 'Windows-1252'])
            ->assertOk()
            ->assertSee('2 records with 2 fields')
            ->assertSee('Groß');
        preg_match('/name="seal" value="([^"]+)"/', (string) $look->getContent(), $seal);
        $this->post(route('dataset.store', $this->shelf), ['seal' => $seal[1] ?? '', 'title' => 'Data'])->assertRedirect();
        self::assertStringContainsString('Müller', $texts('Data'));
        $item = Item::query()->where('title', 'Data')->firstOrFail();
        $page = $this->post(route('item.file.store', $item), [
            'file' => UploadedFile::fake()->createWithContent('old.csv', $old.mb_convert_encoding("Käse;9\n", 'Windows-1252', 'UTF-8')),
        ])->assertOk();
        preg_match('/name="kept" value="([^"]+)"/', (string) $page->getContent(), $kept);
        $this->post(route('item.file.store', $item), ['kept' => $kept[1] ?? '', 'encoding' => 'Windows-1252'])->assertSessionHasNoErrors();
        self::assertStringContainsString('Käse', $texts('Data'));
        $this->assertVerified();
    }

    public function test_what_would_be_left_out_is_said_before_and_in_the_note(): void
    {
        $html = '<h1>Rooms</h1><p>10 m</p><iframe src="a"></iframe><video></video>';
        $page = $this->post(route('shelf.make', $this->shelf), [
            'title' => 'Rooms',
            'file' => UploadedFile::fake()->createWithContent('rooms.html', $html),
        ])
            ->assertOk()
            ->assertSee('Not all of “rooms.html” comes in')
            ->assertSee('2 things that are embedded');
        self::assertSame(0, Item::query()->count());
        preg_match('/name="kept" value="([^"]+)"/', (string) $page->getContent(), $kept);
        $this->post(route('shelf.make', $this->shelf), ['title' => 'Rooms', 'kept' => $kept[1] ?? '', 'sure' => '1'])->assertRedirect();
        $item = Item::query()->firstOrFail();
        self::assertSame('Left out: 2 things that are embedded', $item->versions()->firstOrFail()->note);
        $page = $this->post(route('item.file.store', $item), [
            'file' => UploadedFile::fake()->createWithContent('rooms.html', "{$html}<p>More</p>"),
        ])
            ->assertOk()
            ->assertSee('Bring in the rest');
        preg_match('/name="kept" value="([^"]+)"/', (string) $page->getContent(), $kept);
        $this->post(route('item.file.store', $item), ['kept' => $kept[1] ?? '', 'sure' => '1'])->assertSessionHasNoErrors();
        self::assertSame(
            'From the file “rooms.html”. Left out: 2 things that are embedded',
            $item->refresh()->versions()->where('number', 2)->firstOrFail()->note,
        );
    }

    public function test_pictures_go_along_in_json(): void
    {
        $pixel = (string) base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==');
        $chunk = bin2hex(Address::of($pixel));
        $tree = PartTree::of([new Part('pbbb', 'picture', 0, ['chunk' => $chunk, 'alt' => 'A bench', 'width' => 1, 'height' => 1])]);
        $item = $this->app
            ->make(MakeItem::class)
            ->handle(
                $this->shelf,
                $this->shelf->memberships()->firstOrFail()->user,
                'document',
                'With',
                content: new Content(Kinds::named('document'), $tree, [$chunk => $pixel]),
            );
        $json = (string) $this->get(route('download', [$item, 1, 'json']))->getContent();
        $this->post(route('shelf.make', $this->shelf), [
            'title' => 'Again',
            'file' => UploadedFile::fake()->createWithContent('a.json', $json),
        ])->assertSessionHasNoErrors();
        $this->get(route('picture', [Item::query()->where('title', 'Again')->firstOrFail(), $chunk]))->assertOk();
        // Without its bytes a picture is left out, and nothing is made of somebody else's.
        $bare = (string) preg_replace('/, "pictures".*$/s', '}', $json);
        $this->post(route('shelf.make', $this->shelf), [
            'title' => 'Bare',
            'file' => UploadedFile::fake()->createWithContent('b.json', $bare),
        ])->assertSessionHasNoErrors();
        self::assertSame(
            [],
            array_filter(
                $this->tree(Item::query()->where('title', 'Bare')->firstOrFail())->parts,
                fn (Part $part) => $part->role === 'picture',
            ),
        );
    }

    public function test_a_file_that_can_not_be_read_makes_nothing_and_says_why(): void
    {
        foreach (
            ['x.docx' => 'no archive', 'x.exe' => 'x', 'x.xlsx' => 'no archive', 'x.txt' => 'x', 'x.html' => str_repeat('<div>', 5000)] as $name => $bytes
        ) {
            $this->post(route('shelf.make', $this->shelf), [
                'file' => UploadedFile::fake()->createWithContent($name, $bytes),
            ])->assertSessionHasErrors('file');
        }
        self::assertSame(0, Item::query()->count());
    }

    public function test_a_file_that_is_too_large_is_refused_in_words(): void
    {
        $this->post(route('shelf.make', $this->shelf), [
            'file' => UploadedFile::fake()->create('large.md', 11_000),
        ])->assertSessionHasErrors(['file' => 'This file is larger than 10 MB.']);
        self::assertSame(0, Item::query()->count());
    }
}

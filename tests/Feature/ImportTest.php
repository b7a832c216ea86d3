<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\MakeItem;
use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use Illuminate\Http\UploadedFile;
use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\OdtWriter;
use MistyAttic\Core\Kinds\Kinds;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\Core\RandomContent;

/** Items that are made from files. */
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
        $tree = PartTree::of([new Part('paaa', 'heading', 0, ['level' => 1, 'text' => RichText::plain('Opening')]), new Part('pbbb', 'picture', 0, ['chunk' => bin2hex(Address::of($pixel)), 'alt' => 'A bench', 'width' => 1, 'height' => 1])]);
        $odt = (new OdtWriter)->write('Opening', $tree, fn () => 'data:image/png;base64,'.base64_encode($pixel));
        $this->post(route('shelf.make', $this->shelf), ['file' => UploadedFile::fake()->createWithContent('Opening checks.odt', $odt)])->assertRedirect();
        $item = Item::query()->where('title', 'Opening checks')->firstOrFail();
        self::assertSame(['heading', 'picture'], array_column($this->tree($item)->parts, 'role'));
        self::assertSame(1, $item->head);
        $this->get(route('picture', [$item, bin2hex(Address::of($pixel))]))->assertOk();
        $this->assertVerified();

        $markdown = "# Hello\n\n![elsewhere](https://example.org/x.png)\n\n- one\n";
        $this->post(route('shelf.make', $this->shelf), ['title' => 'Named', 'file' => UploadedFile::fake()->createWithContent('x.md', $markdown)])->assertRedirect();
        self::assertSame(['heading', 'item'], array_column($this->tree(Item::query()->where('title', 'Named')->firstOrFail())->parts, 'role'));
    }

    /** @return array<string, array{string}> */
    public static function kinds(): array
    {
        return array_combine($names = ['document', 'spreadsheet', 'dataset', 'form', 'page'], array_map(fn (string $name) => [$name], $names));
    }

    #[DataProvider('kinds')]
    public function test_json_of_any_kind_comes_in_as_a_new_item_and_as_the_next_version(string $name): void
    {
        $random = new RandomContent(random_int(1, 1_000_000), $name);
        $item = $this->app->make(MakeItem::class)->handle($this->shelf, $this->shelf->memberships()->firstOrFail()->user, $name, 'First', content: new Content(Kinds::named($name), $random->tree(12)));
        $json = (string) $this->get(route('download', [$item, 1, 'json']))->assertOk()->assertHeader('Content-Type', 'application/json')->getContent();
        $file = UploadedFile::fake()->createWithContent('first.json', $json);
        $first = $this->tree($item->refresh());
        $this->post(route('shelf.make', $this->shelf), ['kind' => $name === 'dataset' ? null : $name, 'title' => 'Second', 'file' => $file])->assertSessionHasNoErrors();
        $second = $this->tree(Item::query()->where('title', 'Second')->firstOrFail());
        self::assertSame(array_column($first->parts, 'role'), array_column($second->parts, 'role'));
        if ($name === 'form') {
            self::assertTrue($first->equals($second), 'Rules name questions by their ids');
        }
        // As the next version every part is itself again.
        $this->save($item, $this->shelf->memberships()->firstOrFail()->user, $random->edited($first, 4));
        $this->post(route('item.file.store', $item), ['file' => $file])->assertSessionHasNoErrors();
        self::assertTrue($first->equals($this->tree($item->refresh())), "seed {$random->seed}");
        $this->assertVerified();
        $this->post(route('item.file.store', $item), ['file' => UploadedFile::fake()->createWithContent('other.json', '{"kind": "report", "parts": []}')])->assertSessionHasErrors('file');
    }

    public function test_pictures_go_along_in_json(): void
    {
        $pixel = (string) base64_decode('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==');
        $chunk = bin2hex(Address::of($pixel));
        $tree = PartTree::of([new Part('pbbb', 'picture', 0, ['chunk' => $chunk, 'alt' => 'A bench', 'width' => 1, 'height' => 1])]);
        $item = $this->app->make(MakeItem::class)->handle($this->shelf, $this->shelf->memberships()->firstOrFail()->user, 'document', 'With', content: new Content(Kinds::named('document'), $tree, [$chunk => $pixel]));
        $json = (string) $this->get(route('download', [$item, 1, 'json']))->getContent();
        $this->post(route('shelf.make', $this->shelf), ['title' => 'Again', 'file' => UploadedFile::fake()->createWithContent('a.json', $json)])->assertSessionHasNoErrors();
        $this->get(route('picture', [Item::query()->where('title', 'Again')->firstOrFail(), $chunk]))->assertOk();
        // Without its bytes a picture is left out, and nothing is made of somebody else's.
        $bare = (string) preg_replace('/, "pictures".*$/s', '}', $json);
        $this->post(route('shelf.make', $this->shelf), ['title' => 'Bare', 'file' => UploadedFile::fake()->createWithContent('b.json', $bare)])->assertSessionHasNoErrors();
        self::assertSame([], array_filter($this->tree(Item::query()->where('title', 'Bare')->firstOrFail())->parts, fn (Part $part) => $part->role === 'picture'));
    }

    public function test_a_file_that_can_not_be_read_makes_nothing_and_says_why(): void
    {
        foreach (['x.docx' => 'no archive', 'x.exe' => 'x', 'x.xlsx' => 'no archive', 'x.txt' => 'x', 'x.html' => str_repeat('<div>', 5000)] as $name => $bytes) {
            $this->post(route('shelf.make', $this->shelf), ['file' => UploadedFile::fake()->createWithContent($name, $bytes)])->assertSessionHasErrors('file');
        }
        self::assertSame(0, Item::query()->count());
    }

    public function test_a_file_that_is_too_large_is_refused_in_words(): void
    {
        $this->post(route('shelf.make', $this->shelf), ['file' => UploadedFile::fake()->create('large.md', 11_000)])->assertSessionHasErrors(['file' => 'This file is larger than 10 MB.']);
        self::assertSame(0, Item::query()->count());
    }
}

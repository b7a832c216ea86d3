<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\Thread;
use App\Models\User;
use App\Proposing\OpenLine;
use App\View\Proposals\OpenProposals;
use App\View\Talk\CommentSeen;
use App\View\Talk\Talk;
use App\View\Talk\ThreadSeen;
use Closure;
use Illuminate\Http\UploadedFile;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\FormatLimits;
use PhpOffice\PhpSpreadsheet\IOFactory;
use PhpOffice\PhpSpreadsheet\Worksheet\Worksheet;
use PHPUnit\Framework\Attributes\TestWith;

/** What was said and proposed goes along in files, and comes in again: once. */
final class SaidAlongTest extends FeatureCase
{
    private User $ines;

    private User $tobi;

    private Shelf $shelf;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->ines, $this->tobi] = [$this->person('Ines Oduya'), $this->person('Tobi Brandt')];
        $this->shelf = $this->shelf('Volunteers', [[$this->ines, Role::Owner], [$this->tobi, Role::Editor]]);
    }

    public function test_an_item_as_json_has_its_talk_and_its_proposals(): void
    {
        $item = $this->document($this->shelf, $this->ines, 'Every lead is tested.', 'Tags are yellow.');
        [$one, $two] = array_column($this->tree($item)->parts, 'id');
        $this->actingAs($this->ines)
            ->post(route('talk.begin', $item), ['part' => $one, 'text' => 'By whom?', 'from' => 6, 'to' => 10, 'quote' => 'lead'])
            ->assertSessionHasNoErrors();
        $thread = Thread::query()->firstOrFail();
        $this->actingAs($this->tobi)
            ->post(route('talk.say', [$item, $thread]), ['deed' => 'said', 'text' => 'By me.'])
            ->assertSessionHasNoErrors();
        $this->post(route('talk.begin', $item), ['part' => $two, 'text' => 'Green, surely?'])->assertSessionHasNoErrors();
        $this->post(route('talk.say', [$item, Thread::query()->orderByDesc('id')->firstOrFail()]), [
            'deed' => 'settled',
            'text' => '',
        ])->assertSessionHasNoErrors();
        $this->post(route('talk.begin', $item), ['text' => 'About all of it.'])->assertSessionHasNoErrors();
        $line = $this->app->make(OpenLine::class)->handle($item->refresh(), $this->tobi);
        $this->save(
            $line,
            $this->tobi,
            PartTree::of([$this->tree($line)->parts[0], new Part($two, 'paragraph', 0, ['text' => RichText::plain('Tags are green.')])]),
        );

        // Whoever does not ask for it gets none of it.
        self::assertStringNotContainsString(
            'By whom?',
            (string) $this->get(route('download', [$item, $item->head, 'json']))->assertOk()->getContent(),
        );
        $this->get(route('history', $item))->assertSee('JSON, with talk and proposals')->assertDontSee('as notes');
        $this->get(route('download', [$item, $item->head, 'md', 'said' => 1]))->assertNotFound();
        $this->actingAs($this->person('Nobody Here'))->get(route('download', [$item, $item->head, 'json', 'said' => 1]))->assertNotFound();
        $json = (string) $this->actingAs($this->ines)
            ->get(route('download', [$item, $item->head, 'json', 'said' => 1]))
            ->assertOk()
            ->getContent();
        $content = FileFormat::Json->reader()->read($json, new FormatLimits);
        self::assertSame(
            [3, 1, [$one, $two, ''], ['lead', '', '']],
            [count($content->said), count($content->tracked), array_column($content->said, 'part'), array_column($content->said, 'quote')],
        );

        // As a new item: the threads about the same places, with their answers, and the proposal under the name that the file gives.
        $file = fn () => UploadedFile::fake()->createWithContent('item.json', $json);
        $this->post(route('shelf.make', $this->shelf), ['title' => 'From elsewhere', 'file' => $file()])->assertSessionHasNoErrors();
        $made = $this->shelf->items()->where('title', 'From elsewhere')->firstOrFail();
        self::assertSame([
            [$one, [6, 10], true, ['Ines Oduya, in the file: By whom?', 'Tobi Brandt, in the file: By me.']],
            [$two, null, false, ['Tobi Brandt, in the file: Green, surely?', '']],
            ['', null, true, ['Tobi Brandt, in the file: About all of it.']],
        ], $this->talk($made));
        $open = (new OpenProposals($made))->all;
        self::assertSame(['Tobi Brandt'], $open->map(fn (Proposal $proposal) => $proposal->said_by)->all());
        self::assertSame(['Every lead is tested.', 'Tags are green.'], $this->texts($open[0]->line ?? self::fail('It has no line')));

        // As the next version of what it came from there is nothing new in it.
        $this->post(route('item.file.store', $item), ['file' => $file()])->assertSessionHasErrors(['file']);
        self::assertSame([3, 1], [count($this->talk($item)), (new OpenProposals($item))->all->count()]);
        $this->assertVerified();
    }

    #[TestWith(['xlsx'])]
    #[TestWith(['ods'])]
    public function test_what_was_said_about_cells_goes_along_as_notes(string $format): void
    {
        $item = $this->app->make(MakeItem::class)->handle($this->shelf, $this->ines, 'spreadsheet', 'Hours');
        $tree = PartTree::of([
            new Part('tone', 'tab', 0, ['name' => 'One', 'frozen' => 0]),
            new Part('cone', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('ctwo', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('rone', 'row', 1, ['cone' => 'Kettle', 'ctwo' => 3]),
            new Part('rtwo', 'row', 1, ['cone' => 'Lamp', 'ctwo' => 4]),
        ]);
        $this->save($item, $this->ines, $tree);
        $item->refresh();
        $this->actingAs($this->ines)
            ->post(route('talk.begin', $item), ['part' => 'rtwo', 'field' => 'ctwo', 'text' => 'Four hours?'])
            ->assertSessionHasNoErrors();
        $this->actingAs($this->tobi)
            ->post(route('talk.say', [$item, Thread::query()->firstOrFail()]), ['deed' => 'said', 'text' => "It was\nthe old one."])
            ->assertSessionHasNoErrors();
        $this->post(route('talk.begin', $item), [
            'part' => 'rone',
            'field' => 'cone',
            'text' => 'Settled long ago.',
        ])->assertSessionHasNoErrors();
        $this->post(route('talk.say', [$item, Thread::query()->orderByDesc('id')->firstOrFail()]), [
            'deed' => 'settled',
            'text' => '',
        ])->assertSessionHasNoErrors();
        $bytes = (string) $this->get(route('download', [$item, $item->head, $format, 'said' => 1]))->assertOk()->getContent();
        $said = FileFormat::from($format)->reader()->read($bytes, new FormatLimits)->said;
        self::assertSame(
            [["Ines Oduya: Four hours?\nTobi Brandt: It was\nthe old one.", [0, 1, 1]]],
            array_map(fn ($one) => [$one->text, $one->cell], $said),
        );
        self::assertSame(
            [],
            FileFormat::from($format)
                ->reader()
                ->read((string) $this->get(route('download', [$item, $item->head, $format]))->getContent(), new FormatLimits)->said,
        );

        $file = fn (string $bytes) => UploadedFile::fake()->createWithContent("hours.{$format}", $bytes);
        $this->post(route('shelf.make', $this->shelf), ['title' => 'From elsewhere', 'file' => $file($bytes)])->assertSessionHasNoErrors();
        $made = $this->shelf->items()->where('title', 'From elsewhere')->firstOrFail();
        $talk = $this->talk($made);
        self::assertSame(
            [1, "Ines Oduya, in the file: Four hours?\nTobi Brandt: It was\nthe old one."],
            [count($talk), $talk[0][3][0] ?? ''],
        );
        $about = Thread::query()->where('item_id', $made->id)->firstOrFail();
        self::assertSame(4, $this->tree($made)->get($about->part)->fields[$about->field]);

        // It comes back with a cell changed and nothing said, and then with more said: nothing is said twice.
        $edited = $this->edited($format, $bytes, fn ($sheet) => $sheet->setCellValue('B1', 5));
        $this->post(route('item.file.store', $item), ['file' => $file($edited)])->assertSessionHasNoErrors();
        self::assertCount(2, $this->talk($item->refresh()));
        $more = $this->edited(
            $format,
            $bytes,
            fn ($sheet) => $sheet->getComment('B2')->setAuthor('Dara')->getText()->createText("\nDara: Then say so."),
        );
        $this->post(route('item.file.store', $item), ['file' => $file($more)])->assertSessionHasNoErrors();
        self::assertSame(['rtwo', null, true, ['Dara, in the file: Then say so.']], $this->talk($item->refresh())[2] ?? null);
    }

    /** @param Closure(Worksheet): mixed $do what another program does to the first sheet */
    private function edited(string $format, string $bytes, Closure $do): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'book');
        file_put_contents($path, $bytes);
        $book = IOFactory::createReader(ucfirst($format))->load($path);
        $do($book->getSheet(0));
        IOFactory::createWriter($book, ucfirst($format))->save($path);
        $edited = (string) file_get_contents($path);
        unlink($path);

        return $edited;
    }

    /** @return list<array{string, array{int, int}|null, bool, list<string>}> part, words, whether it is open, what was said */
    private function talk(Item $item): array
    {
        return array_map(
            fn (ThreadSeen $thread): array => [
                $thread->part,
                $thread->words,
                $thread->isOpen(),
                array_map(fn (CommentSeen $comment) => $comment->text, $thread->comments),
            ],
            (new Talk($item))->threads,
        );
    }
}

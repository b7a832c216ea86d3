<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\View\Miniature;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Miniature\Canvas;

/** States from afar: for whom they are, how long they are kept, and what of a large one is looked at. */
final class MiniatureTest extends FeatureCase
{
    private User $ines;

    private User $jun;

    private Shelf $shelf;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->ines, $this->jun] = [$this->person('Ines Oduya'), $this->person('Jun Castell')];
        $this->shelf = $this->shelf('Volunteers', [[$this->ines, Role::Owner], [$this->jun, Role::Viewer]]);
        $this->actingAs($this->ines);
    }

    public function test_it_is_kept_for_ever_under_its_root_and_for_one_person(): void
    {
        $item = $this->document($this->shelf, $this->ines, 'Kettle', 'Toaster');
        $kept = $this->get($this->address($item, 2, $this->ines))->assertOk()->assertHeader('Content-Type', 'image/svg+xml');
        self::assertStringContainsString('immutable', (string) $kept->headers->get('Cache-Control'));
        self::assertStringContainsString('private', (string) $kept->headers->get('Cache-Control'));
        self::assertStringContainsString("default-src 'none'", (string) $kept->headers->get('Content-Security-Policy'));
        // Somebody else's address, and that of another state, show what there is and are not kept.
        foreach (
            [$this->address($item, 2, $this->jun), route('miniature', [$item, 2, str_repeat('a', 16), 'for' => $this->ines->id])] as $other
        ) {
            self::assertStringContainsString('no-store', (string) $this->get($other)->assertOk()->headers->get('Cache-Control'));
        }
        $this->get(route('miniature', [$item, 7, str_repeat('a', 16)]))->assertNotFound();
    }

    public function test_equal_states_look_the_same_but_for_who_made_them(): void
    {
        $item = $this->document($this->shelf, $this->ines, 'Kettle');
        $this->travel(10)->minutes();
        $this->save($item, $this->ines, $this->paragraphs('Kettle', 'Toaster'));
        $this->travel(10)->minutes();
        $this->save($item, $this->ines, $this->paragraphs('Kettle'));
        [$second, $third] = array_map(
            fn (int $number) => Version::query()
                ->where(['item_id' => $item->id, 'number' => $number])
                ->firstOrFail(),
            [2, 4],
        );
        self::assertSame($second->root, $third->root);
        $plain = fn (int $number): string => (string) preg_replace(
            ['/^.*<\/style>/', '/"e\d+"/'],
            ['', '"line"'],
            $this->svg($item, $number),
        );
        self::assertSame($plain(2), $plain(4));
    }

    public function test_readers_see_what_was_published_and_not_who_wrote_it(): void
    {
        $item = $this->page($this->shelf, $this->ines, 'Open on Saturdays');
        $this->publish($item, $this->ines);
        $this->save($item, $this->ines, $this->column('Open on Sundays'));
        self::assertStringContainsString('class="e', $this->svg($item, 2));
        $this->actingAs($this->jun);
        self::assertStringNotContainsString(
            'class="e',
            (string) $this->get($this->address($item, 2, $this->jun))->assertOk()->getContent(),
        );
        $this->get($this->address($item, 3, $this->jun))->assertNotFound();
        self::assertSame([2], array_keys($this->getJson(route('line', [$item, 2, 'reach' => 4]))->assertOk()->json('lines')));
    }

    public function test_of_a_large_table_it_looks_here_and_there_and_where_it_changed(): void
    {
        $parts = [
            new Part('tab1', 'tab', 0, ['name' => 'First', 'frozen' => 0]),
            new Part('colx', 'column', 1, ['width' => 0, 'format' => '']),
        ];
        for ($row = 0; $row < 900; $row++) {
            $parts[] = new Part("row{$row}x", 'row', 1, ['colx' => "Row {$row}"]);
        }
        array_push(
            $parts,
            new Part('tab2', 'tab', 0, ['name' => 'Second', 'frozen' => 0]),
            new Part('coly', 'column', 1, ['width' => 0, 'format' => '']),
            new Part('last', 'row', 1, ['coly' => 'Kettle']),
        );
        $item = app(MakeItem::class)->handle(
            $this->shelf,
            $this->ines,
            'spreadsheet',
            'Repair log',
            content: new Content(Kinds::named('spreadsheet'), PartTree::of($parts)),
            keepIds: true,
        );
        $this->travel(10)->minutes();
        $parts[count($parts) - 1] = new Part('last', 'row', 1, ['coly' => 'Toaster']);
        $this->save($item, $this->ines, PartTree::of($parts));
        $svg = $this->svg($item, 2);
        self::assertStringContainsString('Second', $svg);
        self::assertStringContainsString('class="e', $svg, 'the changed cell stands out though it is the last of 900');
        self::assertLessThan(Canvas::MOST, strlen($svg));
    }

    public function test_the_shelf_and_what_was_deleted_have_them(): void
    {
        $item = $this->document($this->shelf, $this->ines, 'Kettle');
        $address = e($this->address($item, 2, $this->ines));
        $this->get(route('shelf', $this->shelf))->assertOk()->assertDontSee($address, false);
        $this->get(route('shelf', [$this->shelf, 'pictures' => 1]))->assertOk()->assertSee($address, false);
        $this->get(route('find', ['q' => 'Kettle']))->assertOk()->assertSee($address, false);
        $this->delete(route('item.destroy', $item))->assertRedirect();
        $this->get(route('lost', $this->shelf))->assertOk()->assertSee($address, false);
        $this->get($this->address($item, 2, $this->ines))->assertOk();
    }

    public function test_a_version_and_those_around_it_are_told_at_once(): void
    {
        $item = $this->document($this->shelf, $this->ines, 'Kettle');
        foreach (['Toaster', 'Lamp', 'Radio', 'Clock'] as $word) {
            $this->travel(10)->minutes();
            $this->save($item, $this->ines, $this->paragraphs($word));
        }
        $lines = $this->getJson(route('line', [$item, 4, 'reach' => 1]))->assertOk()->json('lines');
        self::assertSame([3, 4, 5], array_keys($lines));
        self::assertSame($this->address($item, 5, $this->ines), $lines[5]['miniature']);
        $this->getJson(route('line', [$item, 4, 'reach' => 400]))->assertUnprocessable();
    }

    private function svg(Item $item, int $number): string
    {
        return (string) $this->get($this->address($item, $number, $this->ines))->assertOk()->getContent();
    }

    private function address(Item $item, int $number, User $person): string
    {
        return Miniature::address($item, Version::query()->where(['item_id' => $item->id, 'number' => $number])->firstOrFail(), $person);
    }
}

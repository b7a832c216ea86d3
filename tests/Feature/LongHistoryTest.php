<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Item;
use App\Models\Role;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;

/** What is long is looked back at in pieces: no page of it grows with the whole. */
final class LongHistoryTest extends FeatureCase
{
    private Item $item;

    protected function setUp(): void
    {
        parent::setUp();
        $ines = $this->person('Ines Oduya');
        $this->item = $this->document($this->shelf('Volunteers', [[$ines, Role::Owner]]), $ines, 'one');
        $text = fn (string $end, int $step): PartTree => PartTree::of(array_map(fn (int $at): Part => new Part("p{$at}x", $at % 5 === 1 ? 'heading' : 'paragraph', 0, ['text' => RichText::plain("Line {$at}".($at % $step === 0 ? " {$end} ".$at * 7 : ''))] + ($at % 5 === 1 ? ['level' => 2] : [])), range(1, 2500)));
        $this->save($this->item, $ines, $text('before', 3));
        $this->travel(5)->minutes();
        $this->save($this->item, $ines, $text('after', 3));
        $this->actingAs($ines);
    }

    public function test_each_view_shows_a_piece_and_leads_to_the_others(): void
    {
        foreach (['changed' => ['layout' => 'together'], 'side' => ['layout' => 'side'], 'was' => ['view' => 'was'], 'who' => ['view' => 'who']] as $name => $view) {
            $page = $this->get(route('history', ['item' => $this->item, 'from' => 3, 'to' => 4, ...$view]))->assertOk()->assertSee('piece 1 of 3')->assertSee('id="part-p1x"', false)->assertDontSee('id="part-p1500x"', false);
            self::assertLessThan(3_000_000, strlen((string) $page->getContent()), $name);
        }
        $this->get(route('history', ['item' => $this->item, 'from' => 3, 'to' => 4, 'piece' => 2]))->assertOk()->assertSee('piece 2 of 3')->assertSee('id="part-p1500x"', false)->assertDontSee('id="part-p1x"', false);
        $this->get(route('history', ['item' => $this->item, 'from' => 3, 'to' => 4, 'piece' => 77]))->assertSee('piece 3 of 3');
        // A change in another piece is one press away.
        $this->get(route('history', ['item' => $this->item, 'from' => 3, 'to' => 4]))->assertSee('piece=2#part-p', false);
    }
}

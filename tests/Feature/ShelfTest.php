<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Making\MakeItem;
use App\Models\Role;
use App\Saving\RenameItem;
use Illuminate\Support\Facades\Date;

/** A shelf of many items: a page at a time, found and sorted by the server, as whoever looks may see them. */
final class ShelfTest extends FeatureCase
{
    public function test_a_long_shelf_comes_in_pages_and_is_sorted_and_looked_through(): void
    {
        $ines = $this->person('Ines Oduya');
        $shelf = $this->shelf('Office', [[$ines, Role::Owner]]);
        $this->actingAs($ines)->get(route('shelf', $shelf))->assertSee('Nothing is on this shelf yet')->assertDontSee('Find by title');
        for ($at = 1; $at <= 65; $at++) {
            Date::setTestNow(Date::now()->addMinute());
            $this->app
                ->make(MakeItem::class)
                ->handle($shelf, $ines, $at % 5 === 0 ? 'page' : 'document', sprintf('Plan %02d %s', $at, $at === 7 ? '100% done' : ''));
        }
        $first = $this->get(route('shelf', $shelf))
            ->assertSee('Find by title')
            ->assertSee('1 to 30 of 65')
            ->assertSee('Plan 65')
            ->assertDontSee('Plan 35');
        self::assertLessThan(60 * 1024, strlen((string) $first->getContent()));
        $this->get(route('shelf', [$shelf, 'page' => 3]))->assertSee('61 to 65 of 65')->assertSee('Plan 01');
        $this->get(route('shelf', [$shelf, 'sort' => 'title']))->assertSee('Plan 01')->assertDontSee('Plan 65');
        $this->get(route('shelf', [$shelf, 'kind' => 'page', 'find' => 'plan 1']))
            ->assertSee('2 items')
            ->assertSee('Plan 10')
            ->assertSee('Plan 15')
            ->assertDontSee('Plan 11');
        // What has a meaning in a pattern has none in what people look for.
        $this->get(route('shelf', [$shelf, 'find' => '0%']))->assertSee('one item')->assertSee('100% done');
        $this->get(route('shelf', [$shelf, 'find' => '_']))->assertSee('Nothing on this shelf is called that.');
        $this->get(route('shelf', [$shelf, 'sort' => 'colour']))->assertRedirect();
        // What can be done with one is there when its menu is opened, and as a page.
        $item = $shelf->items()->where('kind', 'page')->firstOrFail();
        $this->get(route('item.menu', [$item, 'part' => 1]))->assertSee('Publish…')->assertDontSee('<html', false);
        $this->get(route('item.menu', $item))->assertSee('Publish…')->assertSee('Back to Office');
    }

    public function test_who_sees_no_drafts_finds_and_sorts_by_what_is_live(): void
    {
        [$ines, $rafi] = [$this->person('Ines Oduya'), $this->person('Rafi Sand')];
        $shelf = $this->shelf('Office', [[$ines, Role::Owner], [$rafi, Role::Viewer]]);
        $live = $this->page($shelf, $ines, 'Open');
        $this->publish($live, $ines);
        $this->app->make(RenameItem::class)->handle($live->refresh(), $ines, 'A secret name');
        $draft = $this->page($shelf, $ines, 'Hidden');
        $this->app->make(RenameItem::class)->handle($draft->refresh(), $ines, 'Another secret');
        $this->app->make(MakeItem::class)->handle($shelf, $ines, 'document', 'Handbook');
        $title = (string) $live->refresh()->live?->title;
        $this->actingAs($rafi)->get(route('shelf', $shelf))->assertSee($title)->assertSee('Handbook')->assertDontSee('secret');
        $this->get(route('shelf', [$shelf, 'find' => 'secret']))->assertSee('nothing')->assertDontSee('Another');
        $this->get(route('shelf', [$shelf, 'find' => mb_substr($title, 0, 4), 'kind' => 'page', 'sort' => 'title']))
            ->assertSee($title)
            ->assertSee('one item');
        $this->get(route('item.menu', [$live, 'part' => 1]))->assertOk()->assertDontSee('Publish…');
        $this->get(route('item.menu', $draft))->assertNotFound();
        $this->actingAs($ines)->get(route('shelf', [$shelf, 'find' => 'secret']))->assertSee('2 items');
    }
}

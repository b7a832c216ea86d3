<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Publishing\AskToPublish;
use App\Restoring\RestoreVersion;
use Illuminate\Support\Facades\Date;

/** What waits for somebody, on one page and beside their name. */
final class ForYouTest extends FeatureCase
{
    private User $ines;

    private User $tobi;

    private Shelf $shelf;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->ines, $this->tobi] = [$this->person('Ines Oduya'), $this->person('Tobi Brandt')];
        $this->shelf = $this->shelf('Office', [[$this->ines, Role::Owner], [$this->tobi, Role::Editor]]);
    }

    public function test_nothing_waits_where_nothing_happened(): void
    {
        $this->actingAs($this->tobi)->get(route('for-you'))->assertOk()->assertSee('Nothing waits for you.');
        $this->get(route('shelf', $this->shelf))->assertSee('For you')->assertDontSee('things wait');
    }

    public function test_what_was_held_back_asked_answered_and_restored_over_one_s_work_waits_and_goes_when_it_is_done(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'One', 'Two');
        $base = $item->root;
        $this->save($item, $this->ines, $this->paragraphs('One!', 'Two'));
        $this->save($item, $this->tobi, $this->paragraphs('One?', 'Two'), $base);
        $this->actingAs($this->tobi)
            ->get(route('for-you'))
            ->assertSee('One of your edits is held back, it met an edit of Ines’s')
            ->assertSee('Settle it');
        $this->get(route('shelf', $this->shelf))->assertSee('thing waits');
        // Nobody else is told of it.
        $this->actingAs($this->ines)->get(route('for-you'))->assertDontSee('it met');
        $held = $item->heldEdits()->firstOrFail();
        $this->actingAs($this->tobi)->put(route('held.settle', [$item, $held]), ['choice' => 'theirs']);
        $this->get(route('for-you'))->assertSee('Nothing waits for you.');
        // Somebody restores over what Tobi wrote.
        $this->save($item, $this->tobi, $this->paragraphs('One!', 'Two', 'Three by Tobi'));
        Date::setTestNow(Date::now()->addMinutes(5));
        $back = $this->app
            ->make(RestoreVersion::class)
            ->handle(
                $item->refresh(),
                $item->versions()->where('number', 2)->firstOrFail()->setRelation('item', $item),
                $this->ines,
                $item->head,
            );
        $this->get(route('for-you'))->assertSee('Ines restored 2 over what you wrote since')->assertSee('Back as it was');
        $this->actingAs($this->ines)->get(route('for-you'))->assertDontSee('restored 2');
        $this->post(route('for-you.aside'), ['ref' => "restored {$back?->id}"]);
        $this->actingAs($this->tobi)->get(route('for-you'))->assertSee('Ines restored 2');
        $this->post(route('for-you.aside'), ['ref' => "restored {$back?->id}"])->assertRedirect(route('for-you'));
        $this->get(route('for-you'))->assertSee('Nothing waits for you.')->assertSee('Put aside lately, 1');
        $this->post(route('for-you.aside'), ['ref' => 'restored 999999'])->assertRedirect();
    }

    public function test_what_waits_for_somebody_who_is_let_in_no_more_waits_for_an_owner(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'One', 'Two');
        $base = $item->root;
        $this->save($item, $this->ines, $this->paragraphs('One!', 'Two'));
        $this->save($item, $this->tobi, $this->paragraphs('One?', 'Two'), $base);
        $held = $item->heldEdits()->firstOrFail();
        $this->actingAs($this->ines)->get(route('held', [$item, $held]))->assertNotFound();
        $this->tobi->forceFill(['left_at' => now()])->save();
        $this->get(route('for-you'))->assertSee('it met');
        $this->get(route('held', [$item, $held]))->assertOk();
        $this->put(route('held.settle', [$item, $held]), ['choice' => 'theirs'])->assertSessionHasNoErrors();
        self::assertNotNull($held->refresh()->settled_at);
        // Nor is a yes asked of somebody who can't say it.
        $shelf = $this->shelf->load('memberships');
        self::assertFalse($shelf->othersLetPublish($this->ines));
        $shelf->memberships()->where('user_id', $this->tobi->id)->update(['publishes' => true]);
        self::assertFalse($shelf->load('memberships')->othersLetPublish($this->ines));
        $this->tobi->forceFill(['left_at' => null])->save();
        self::assertTrue($shelf->load('memberships')->othersLetPublish($this->ines));
    }

    public function test_wishes_wait_for_who_may_say_yes_and_answers_for_who_asked(): void
    {
        $page = $this->page($this->shelf, $this->tobi, 'Open');
        $this->app
            ->make(AskToPublish::class)
            ->handle($page->versions()->where('number', $page->head)->firstOrFail()->setRelation('item', $page), $this->tobi, 'Please');
        $wish = $page->publishings()->firstOrFail();
        $this->actingAs($this->tobi)->get(route('for-you'))->assertSee('Nothing waits for you.');
        $this->get(route('item', $page))->assertSee('your wish to publish '.$page->head.' waits for Ines');
        $this->actingAs($this->ines)->get(route('item', $page))->assertDontSee('your wish');
        $this->get(route('for-you'))->assertSee('Tobi asks to publish '.$page->head.': “Please”');
        // What is in Lost & found waits for nobody.
        $this->delete(route('item.destroy', $page));
        $this->get(route('for-you'))->assertSee('Nothing waits for you.');
        $this->put(route('item.back', $page));
        $this->put(route('wish.answer', [$page, $wish]), ['answer' => 'refused', 'note' => 'Not yet']);
        $this->get(route('for-you'))->assertSee('Nothing waits for you.');
        $this->actingAs($this->tobi)->get(route('for-you'))->assertSee('“Not yet”');
        $this->get(route('wish', [$page, $wish]));
        $this->get(route('for-you'))->assertSee('Nothing waits for you.');
    }
}

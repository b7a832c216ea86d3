<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;

/** The page for whoever keeps the place, and people who are let in no more. */
final class KeeperTest extends FeatureCase
{
    public function test_the_first_person_of_an_empty_place_begins_it_and_nobody_after(): void
    {
        $this->get(route('sign-in'))->assertOk()->assertSee('An empty attic');
        $sent = ['name' => 'Ada Brook', 'email' => 'ada@example.org', 'password' => 'a long password', 'password_confirmation' => 'a long password', 'shelf' => 'Office'];
        $this->post(route('begin'), ['password' => 'short'] + $sent)->assertSessionHasErrors('password');
        $this->post(route('begin'), $sent)->assertRedirect();
        $ada = User::query()->people()->firstOrFail();
        $this->assertAuthenticatedAs($ada);
        self::assertSame([true, ['Office']], [$ada->keeps_place, $ada->shelves()->pluck('name')->all()]);
        $this->post(route('begin'), ['email' => 'other@example.org'] + $sent)->assertNotFound();
        auth()->logout();
        $this->get(route('sign-in'))->assertSee('Come in');
    }

    public function test_who_is_let_in_no_more_is_out_at_once_and_what_they_wrote_stays_theirs(): void
    {
        [$ines, $tobi] = [$this->person('Ines Oduya'), $this->person('Tobi Brandt')];
        $ines->update(['keeps_place' => true]);
        $shelf = $this->shelf('Office', [[$ines, Role::Owner], [$tobi, Role::Editor]]);
        $item = $this->document($shelf, $tobi, 'By Tobi');
        $this->actingAs($tobi)->get(route('place'))->assertNotFound();
        $this->put(route('place.admit', $ines), ['leaves' => '1'])->assertNotFound();
        $this->actingAs($ines)->get(route('place'))->assertOk()->assertSee('Tobi Brandt')->assertSee('Office')->assertDontSee('nowhere.invalid');
        $this->put(route('place.admit', $ines), ['leaves' => '1'])->assertSessionHasErrors('person');
        $this->put(route('place.admit', $tobi), ['leaves' => '1'])->assertSessionHas('said');
        $this->actingAs($tobi->refresh())->get(route('item', $item))->assertRedirect(route('sign-in'));
        $this->actingAs($tobi)->getJson(route('state', $item))->assertUnauthorized();
        $this->post(route('sign-in.store'), ['email' => $tobi->email, 'password' => 'a long password'])->assertSessionHasErrors('email');
        $this->actingAs($ines)->get(route('list', $item))->assertSee('Tobi');
        $this->put(route('place.admit', $tobi), ['leaves' => '0']);
        $this->actingAs($tobi->refresh())->get(route('item', $item))->assertOk();
        // What was done to the place is in its log, a shelf that is gone for good as well.
        $this->actingAs($ines)->post(route('shelf.store'), ['name' => 'For a week', 'about' => '']);
        $made = Shelf::query()->where('name', 'For a week')->firstOrFail();
        $this->delete(route('shelf.destroy', $made))->assertSessionHasNoErrors();
        $this->delete(route('shelf.for-good', $made), ['name' => 'For a week'])->assertSessionHasNoErrors();
        $this->get(route('place'))->assertOk()->assertSeeInOrder(['What was done', 'deleted the shelf “For a week” for good', 'deleted the shelf “For a week”', 'made the shelf “For a week”', 'let Tobi Brandt in again', 'let Tobi Brandt in no more']);
    }
}

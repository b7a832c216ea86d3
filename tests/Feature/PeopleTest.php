<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;

final class PeopleTest extends FeatureCase
{
    private User $ines;

    private User $tobi;

    private Shelf $shelf;

    protected function setUp(): void
    {
        parent::setUp();
        $this->ines = $this->person('Ines Oduya');
        $this->tobi = $this->person('Tobi Brandt');
        $this->shelf = $this->shelf('Volunteers', [[$this->ines, Role::Owner], [$this->tobi, Role::Editor]]);
        $this->actingAs($this->ines);
    }

    public function test_somebody_with_an_account_is_put_on_the_shelf(): void
    {
        $nell = $this->person('Nell Warwick');
        $this->post(route('people.store', $this->shelf), ['email' => 'NELL@example.org', 'role' => 'viewer'])->assertRedirect(route('people', $this->shelf))->assertSessionMissing('invitation');
        self::assertSame(Role::Viewer, $this->shelf->refresh()->roleOf($nell));
    }

    public function test_somebody_new_needs_a_name_and_gets_a_link(): void
    {
        $this->post(route('people.store', $this->shelf), ['email' => 'new@example.org', 'role' => 'editor'])->assertSessionHasErrors('name');
        $this->post(route('people.store', $this->shelf), ['email' => 'new@example.org', 'name' => 'Nora New', 'role' => 'editor'])->assertSessionHas('invitation');
        $link = (string) session('invitation');
        $this->get(route('people', $this->shelf))->assertSee('Nora New')->assertSee('invited');
        $this->post(route('sign-out'));
        $this->get($link)->assertSee('Welcome, Nora');
    }

    public function test_the_last_owner_stays_an_owner(): void
    {
        $own = $this->shelf->memberships()->where('user_id', $this->ines->id)->firstOrFail();
        $this->put(route('people.update', [$this->shelf, $own]), ['role' => 'editor'])->assertSessionHasErrors('role');
        $this->delete(route('people.destroy', [$this->shelf, $own]))->assertSessionHasErrors('role');
        $other = $this->shelf->memberships()->where('user_id', $this->tobi->id)->firstOrFail();
        $this->put(route('people.update', [$this->shelf, $other]), ['role' => 'owner'])->assertSessionHasNoErrors();
        $this->delete(route('people.destroy', [$this->shelf, $own]))->assertRedirect(route('home'));
        $this->get(route('shelf', $this->shelf))->assertNotFound();
    }

    public function test_what_somebody_wrote_stays_under_their_name_when_they_leave(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'One.', 'Two.');
        $this->save($item, $this->tobi, $this->paragraphs('One.', 'Two and a half.'));
        $this->delete(route('people.destroy', [$this->shelf, $this->shelf->memberships()->where('user_id', $this->tobi->id)->firstOrFail()]))->assertSessionHasNoErrors();
        $this->get(route('history', [$item, 'from' => 2, 'to' => 3]))->assertSee('added by Tobi Brandt');
        $this->actingAs($this->tobi)->get(route('item', $item))->assertNotFound();
    }

    public function test_a_membership_of_another_shelf_is_not_found(): void
    {
        $other = $this->shelf('Other', [[$this->tobi, Role::Owner]]);
        $this->put(route('people.update', [$this->shelf, $other->memberships()->firstOrFail()]), ['role' => 'viewer'])->assertNotFound();
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

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
        $this->post(route('people.store', $this->shelf), ['email' => 'NELL@example.org', 'role' => 'viewer'])
            ->assertRedirect(route('people', $this->shelf))
            ->assertSessionMissing('invitation');
        self::assertSame(Role::Viewer, $this->shelf->refresh()->roleOf($nell));
    }

    /** @return string the link that was mailed last */
    private function mailed(string $to): string
    {
        $body = (string) DB::table('mails')->where('recipient', $to)->orderByDesc('id')->value('body');

        return preg_match('~http\\S+~', $body, $found) === 1 ? $found[0] : self::fail("nothing was mailed to {$to}");
    }

    /** @return array<string, string> */
    private function chosen(string $password = 'long enough now'): array
    {
        return ['name' => 'Nora New', 'password' => $password, 'password_confirmation' => $password];
    }

    public function test_somebody_new_needs_a_name_and_gets_a_link_that_works_once(): void
    {
        $this->post(route('people.store', $this->shelf), ['email' => 'new@example.org', 'role' => 'editor'])->assertSessionHasErrors(
            'name',
        );
        $this->post(route('people.store', $this->shelf), [
            'email' => 'new@example.org',
            'name' => 'Nora New',
            'role' => 'editor',
        ])->assertSessionHas('invitation');
        $link = (string) session('invitation');
        $this->get(route('people', $this->shelf))->assertSee('Nora New')->assertSee('invited')->assertSee('by Ines');
        self::assertNull(User::query()->where('email', 'new@example.org')->first());
        $this->post(route('sign-out'));
        $this->get(strtok($link, '?') ?: '')->assertForbidden()->assertSee('not whole');
        $this->get($link)->assertSee('Welcome, Nora')->assertSee('Ines Oduya invites you to the shelf “Volunteers”');
        $this->post($link, $this->chosen('short'))->assertSessionHasErrors('password');
        $this->post($link, $this->chosen())->assertRedirect(route('shelf', $this->shelf));
        $nora = User::query()->where('email', 'new@example.org')->firstOrFail();
        $this->assertAuthenticatedAs($nora);
        self::assertSame([Role::Editor, false], [$this->shelf->refresh()->roleOf($nora), $nora->proved]);
        $this->get($link)->assertStatus(410);
        $this->travel(8)->days();
        $this->get($link)->assertForbidden()->assertSee('has expired');
    }

    public function test_whoever_invites_an_address_that_is_known_elsewhere_is_shown_no_link_and_gets_nothing_by_an_earlier_one(): void
    {
        $other = $this->person('Rafi Sadek');
        $theirs = $this->shelf('Elsewhere', [[$other, Role::Owner]]);
        $this->post(route('people.store', $this->shelf), [
            'email' => 'vera@example.org',
            'name' => 'Vera Vane',
            'role' => 'owner',
        ])->assertSessionHas('invitation');
        $byHand = (string) session('invitation');

        // Not come yet: invited elsewhere, too, by mail alone.
        $this->actingAs($other)
            ->post(route('people.store', $theirs), ['email' => 'vera@example.org', 'name' => 'Vera', 'role' => 'owner'])
            ->assertSessionMissing('invitation');
        $this->get(route('people', $theirs))->assertSee('known here from elsewhere')->assertDontSee('signature=');
        $mailed = $this->mailed('vera@example.org');

        // Somebody uses the first link for themselves: it opens its own shelf and no other.
        $this->post(route('sign-out'));
        $this->post($byHand, $this->chosen('not hers at all'))->assertRedirect(route('shelf', $this->shelf));
        $this->get(route('shelf', $theirs))->assertNotFound();
        $this->get($mailed)->assertOk();

        // Whoever gets the mail has the address, and the account with it.
        $this->post(route('sign-out'));
        $this->post($mailed, $this->chosen('her own password'))->assertRedirect(route('shelf', $theirs));
        $vera = User::query()->where('email', 'vera@example.org')->firstOrFail();
        self::assertTrue(
            $vera->proved && Hash::check('her own password', $vera->password) && ! Hash::check('not hers at all', $vera->password),
        );
        // From now on she is put on a shelf at once.
        $this->actingAs($other)
            ->post(route('people.store', $this->shelf('Third', [[$other, Role::Owner]])), [
                'email' => 'vera@example.org',
                'role' => 'viewer',
            ])
            ->assertSessionMissing('mailed');
        self::assertSame(3, $vera->shelves()->count());
    }

    public function test_an_invitation_is_for_its_address_and_can_be_taken_back(): void
    {
        $this->post(route('people.store', $this->shelf), ['email' => 'vera@example.org', 'name' => 'Vera Vane', 'role' => 'editor']);
        $link = (string) session('invitation');
        $this->person('Vera Vane');
        $rafi = $this->person('Rafi Sadek');
        $this->actingAs($rafi)->get($link)->assertSee('has an account here');
        $this->post($link)->assertForbidden();
        self::assertNull($this->shelf->refresh()->roleOf($rafi));

        $this->actingAs($this->ines)
            ->delete(route('people.take-back', [$this->shelf, $this->shelf->invitations()->firstOrFail()]))
            ->assertRedirect();
        $this->get($link)->assertStatus(410);
    }

    public function test_an_invitation_of_somebody_who_was_removed_opens_nothing(): void
    {
        $this->shelf
            ->memberships()
            ->where('user_id', $this->tobi->id)
            ->update(['role' => Role::Owner]);
        $this->actingAs($this->tobi)->post(route('people.store', $this->shelf), [
            'email' => 'vera@example.org',
            'name' => 'Vera Vane',
            'role' => 'owner',
        ]);
        $link = (string) session('invitation');
        $this->shelf->memberships()->where('user_id', $this->tobi->id)->update(['role' => Role::Editor]);
        $this->post(route('sign-out'));
        $this->get($link)->assertStatus(410);
        $this->post($link, $this->chosen())->assertStatus(410);
        self::assertSame(0, User::query()->where('email', 'vera@example.org')->count());
    }

    public function test_invitations_are_read_in_the_outbox_by_whoever_keeps_the_place_alone(): void
    {
        $this->post(route('people.store', $this->shelf), ['email' => 'vera@example.org', 'name' => 'Vera Vane', 'role' => 'editor']);
        $this->get(route('outbox'))->assertNotFound();
        $this->tobi->update(['keeps_place' => true]);
        $this->actingAs($this->tobi)->get(route('outbox'))->assertSee('invites you to “Volunteers”')->assertSee('signature=');
    }

    public function test_who_came_by_hand_can_show_that_the_address_is_theirs(): void
    {
        $nora = $this->person('Nora New');
        $nora->update(['proved' => false]);
        $this->actingAs($nora)->post(route('address.ask'))->assertRedirect();
        $link = $this->mailed($nora->email);
        $this->actingAs($this->tobi)->get($link)->assertForbidden();
        $this->actingAs($nora)->get($link)->assertRedirect(route('home'));
        self::assertTrue($nora->refresh()->proved);
    }

    public function test_the_last_owner_stays_an_owner(): void
    {
        $own = $this->shelf->memberships()->where('user_id', $this->ines->id)->firstOrFail();
        $this->put(route('people.update', [$this->shelf, $own]), ['role' => 'editor'])->assertSessionHasErrors('role');
        $this->delete(route('people.destroy', [$this->shelf, $own]))->assertSessionHasErrors('role');
        $other = $this->shelf->memberships()->where('user_id', $this->tobi->id)->firstOrFail();
        $this->put(route('people.update', [$this->shelf, $other]), ['role' => 'owner'])->assertSessionHasNoErrors();
        // One who is let in no more can't own it alone.
        $this->tobi->forceFill(['left_at' => now()])->save();
        $this->delete(route('people.destroy', [$this->shelf, $own]))->assertSessionHasErrors('role');
        $this->tobi->forceFill(['left_at' => null])->save();
        $this->delete(route('people.destroy', [$this->shelf, $own]))->assertRedirect(route('home'));
        $this->get(route('shelf', $this->shelf))->assertNotFound();
    }

    public function test_what_somebody_wrote_stays_under_their_name_when_they_leave(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'One.', 'Two.');
        $this->save($item, $this->tobi, $this->paragraphs('One.', 'Two and a half.'));
        $this->delete(
            route('people.destroy', [$this->shelf, $this->shelf->memberships()->where('user_id', $this->tobi->id)->firstOrFail()]),
        )->assertSessionHasNoErrors();
        $this->get(route('history', [$item, 'from' => 2, 'to' => 3]))->assertSee('added by Tobi Brandt');
        $this->actingAs($this->tobi)->get(route('item', $item))->assertNotFound();
    }

    public function test_a_membership_of_another_shelf_is_not_found(): void
    {
        $other = $this->shelf('Other', [[$this->tobi, Role::Owner]]);
        $this->put(route('people.update', [$this->shelf, $other->memberships()->firstOrFail()]), ['role' => 'viewer'])->assertNotFound();
    }
}

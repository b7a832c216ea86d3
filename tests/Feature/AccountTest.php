<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\User;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** One's own account, and a password that was forgotten. */
final class AccountTest extends FeatureCase
{
    private User $ines;

    protected function setUp(): void
    {
        parent::setUp();
        $this->ines = $this->person('Ines Oduya');
        $this->shelf('Office', [[$this->ines, Role::Owner]]);
    }

    public function test_name_colour_and_look_are_one_s_own(): void
    {
        $this->get(route('account'))->assertRedirect(route('sign-in'));
        $this->actingAs($this->ines)->get(route('account'))->assertOk()->assertSee('Ines Oduya');
        $this->put(route('account.update'), ['name' => 'Ines O. Duya', 'colour' => 7, 'look' => 'night'])->assertRedirect(route('account'));
        $this->ines->refresh();
        self::assertSame(['Ines O. Duya', 7, 'night'], [$this->ines->name, $this->ines->colour, $this->ines->look]);
        $this->get(route('account'))->assertSee('data-look="night"', false);
        $this->put(route('account.update'), ['name' => '', 'colour' => 99, 'look' => 'dusk'])->assertSessionHasErrors([
            'name',
            'colour',
            'look',
        ]);
        $this->put(route('account.update'), [
            'name' => 'Ines',
            'colour' => 1,
            'look' => '',
            'keeps_place' => 1,
            'email' => 'other@example.org',
        ]);
        self::assertSame([false, ''], [$this->ines->refresh()->keeps_place, $this->ines->look]);
    }

    public function test_times_are_told_by_the_clock_of_the_account(): void
    {
        Date::setTestNow('2026-11-03 23:30:00');
        $item = $this->document($this->shelf('Hours', [[$this->ines, Role::Owner]]), $this->ines, 'Late');
        $this->actingAs($this->ines)->get(route('list', $item))->assertSee('3 Nov 2026, 23:30 UTC');
        $this->get(route('account'))->assertDontSee('data-zone-of', false)->assertSee('Buenos Aires');
        $this->put(route('account.update'), [
            'name' => 'Ines',
            'colour' => 1,
            'look' => '',
            'zone' => 'Nowhere/Else',
        ])->assertSessionHasErrors('zone');
        $this->put(route('account.update'), [
            'name' => 'Ines',
            'colour' => 1,
            'look' => '',
            'zone' => 'Europe/Berlin',
        ])->assertSessionHasNoErrors();
        $this->get(route('list', $item))->assertSee('4 Nov 2026, 00:30 CET')->assertSee('data-zone-of="Europe/Berlin"', false);
        $this->put(route('account.update'), ['name' => 'Ines', 'colour' => 1, 'look' => '', 'zone' => '']);
        self::assertSame('', $this->ines->refresh()->zone);
    }

    public function test_numbers_and_dates_are_told_as_the_account_writes_them(): void
    {
        Date::setTestNow('2026-11-03 23:30:00');
        $tobi = User::factory()->create();
        $shelf = $this->shelf('Ways', [[$this->ines, Role::Owner], [$tobi, Role::Owner]]);
        $item = $this->document($shelf, $this->ines, 'Counted');
        DB::table('items')
            ->where('id', $item->id)
            ->update(['gone' => 1234567]);
        $ways = [
            ['', '', '1,234,567', '3 Nov 2026, 23:30 UTC'],
            ['comma', 'month', '1.234.567', 'Nov 3, 2026, 23:30 UTC'],
            ['space', 'year', "1\u{202F}234\u{202F}567", '2026-11-03, 23:30 UTC'],
            ['', 'points', '1,234,567', '3.11.2026, 23:30 UTC'],
        ];
        foreach ($ways as [$numbers, $dates, $count, $moment]) {
            $this->actingAs($this->ines)
                ->put(route('account.update'), ['name' => 'Ines', 'colour' => 1, 'look' => '', 'numbers' => $numbers, 'dates' => $dates])
                ->assertSessionHasNoErrors();
            $this->get(route('keeping', $item))->assertSee($count);
            $this->get(route('list', $item))->assertSee($moment);
        }
        $this->put(route('account.update'), [
            'name' => 'Ines',
            'colour' => 1,
            'look' => '',
            'numbers' => 'roman',
            'dates' => 'lunar',
        ])->assertSessionHasErrors(['numbers', 'dates']);
        $this->actingAs($tobi)->get(route('list', $item))->assertSee('3 Nov 2026, 23:30 UTC');
        // What somebody has written down is read by others.
        $this->ines->update(['numbers' => 'comma']);
        $this->actingAs($this->ines)
            ->post(route('keeping.say', $item), ['leave' => 60, 'most' => 5000, 'do' => 'keep'])
            ->assertSessionHas(
                'said',
                'From now on: Leave a version behind after a minute of somebody’s writing. Keep everything for ever. Keep 5.000 versions at most.',
            );
        $this->actingAs($tobi)->get(route('log', [$shelf, 'about' => 'rules']))->assertSee('5,000 versions at most');
    }

    public function test_a_password_is_changed_by_who_knows_the_one_before(): void
    {
        $this->actingAs($this->ines)
            ->put(route('account.password'), [
                'current' => 'wrong',
                'password' => 'another long one',
                'password_confirmation' => 'another long one',
            ])
            ->assertSessionHasErrors('current');
        $this->put(route('account.password'), [
            'current' => 'a long password',
            'password' => 'short',
            'password_confirmation' => 'short',
        ])->assertSessionHasErrors('password');
        $this->put(route('account.password'), [
            'current' => 'a long password',
            'password' => 'another long one',
            'password_confirmation' => 'another long one',
        ])->assertSessionHasNoErrors();
        self::assertTrue(Hash::check('another long one', (string) $this->ines->refresh()->password));
        $this->post(route('account.elsewhere'), ['current' => 'a long password'])->assertSessionHasErrors('current');
        $this->post(route('account.elsewhere'), ['current' => 'another long one'])->assertSessionHas('said');
    }

    public function test_another_address_is_theirs_when_its_mail_was_read(): void
    {
        $other = $this->person('Tobi Brandt');
        $this->actingAs($this->ines)
            ->put(route('account.address'), ['email' => $other->email, 'current' => 'a long password'])
            ->assertSessionHasErrors('email');
        $this->put(route('account.address'), ['email' => 'new@example.org', 'current' => 'wrong'])->assertSessionHasErrors('current');
        $was = $this->ines->email;
        $this->put(route('account.address'), ['email' => 'new@example.org', 'current' => 'a long password'])->assertSessionHas('said');
        self::assertSame($was, $this->ines->refresh()->email);
        $link = $this->linkIn('new@example.org');
        $this->actingAs($other)->get($link)->assertForbidden();
        $this->actingAs($this->ines)->get(str_replace('new%40', 'old%40', $link))->assertForbidden();
        $this->get($link)->assertRedirect(route('account'));
        self::assertSame('new@example.org', $this->ines->refresh()->email);
        $this->get($link)->assertForbidden();
    }

    public function test_a_forgotten_password_is_chosen_anew_by_a_link_that_works_once_and_for_an_hour(): void
    {
        $this->get(route('sign-in'))->assertSee('I forgot my password');
        $said = function (string $email): string {
            $this->post(route('forgotten.ask'), ['email' => $email])->assertRedirect(route('forgotten'));

            return (string) session('said');
        };
        // Nobody learns whether there is an account.
        self::assertSame(str_replace('nobody@example.org', $this->ines->email, $said('nobody@example.org')), $said($this->ines->email));
        self::assertSame(1, DB::table('mails')->count());
        $link = $this->linkIn($this->ines->email);
        $this->get($link)->assertOk()->assertSee($this->ines->email);
        $this->post($link, ['password' => 'short', 'password_confirmation' => 'short'])->assertSessionHasErrors('password');
        Date::setTestNow(Date::now()->addMinutes(61));
        $this->get($link)->assertForbidden();
        Date::setTestNow(Date::now()->subMinutes(60));
        $this->post($link, ['password' => 'a brand new one', 'password_confirmation' => 'a brand new one'])->assertRedirect(route('home'));
        $this->assertAuthenticatedAs($this->ines);
        self::assertTrue(Hash::check('a brand new one', (string) $this->ines->refresh()->password));
        $this->post($link, ['password' => 'once more again', 'password_confirmation' => 'once more again'])->assertGone();
    }

    private function linkIn(string $email): string
    {
        $body = (string) DB::table('mails')->where('recipient', $email)->orderByDesc('id')->value('body');
        self::assertMatchesRegularExpression('~https?://\S+~', $body);
        preg_match('~https?://\S+~', $body, $found);

        return $found[0] ?? '';
    }
}

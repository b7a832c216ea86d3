<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\User;
use App\Sharing\SecondFactor;
use Illuminate\Support\Facades\RateLimiter;

/** A code besides the password. */
final class SecondFactorTest extends FeatureCase
{
    private User $ines;

    protected function setUp(): void
    {
        parent::setUp();
        $this->ines = $this->person('Ines Oduya');
        $this->shelf('Office', [[$this->ines, Role::Owner]]);
    }

    /** RFC 4226, appendix D, and RFC 6238, appendix B (of eight digits the last six), for the key “12345678901234567890”. */
    public function test_codes_are_those_of_the_standards(): void
    {
        $key = 'GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ';
        self::assertSame(
            ['755224', '287082', '359152', '969429', '338314', '254676', '287922', '162583', '399871', '520489'],
            array_map(fn (int $step) => SecondFactor::code($key, $step), range(0, 9)),
        );
        foreach (
            [59 => '287082', 1111111109 => '081804', 1234567890 => '005924', 2000000000 => '279037', 20000000000 => '353130'] as $time => $code
        ) {
            self::assertSame(intdiv($time, 30), SecondFactor::step($key, $code, $time));
        }
        self::assertSame([1, null], [SecondFactor::step($key, '287082', 89), SecondFactor::step($key, '287082', 90)]);
        self::assertMatchesRegularExpression('/^[A-Z2-7]{32}$/', SecondFactor::key());
    }

    public function test_it_counts_from_its_first_code_on_and_each_code_opens_once(): void
    {
        [$key, $written] = $this->setUpSecond();
        self::assertStringNotContainsString($key, (string) $this->ines->getRawOriginal('second_key'));
        $this->post('/sign-out');
        // The password alone opens nothing.
        $this->post('/sign-in', ['email' => $this->ines->email, 'password' => 'a long password'])->assertRedirect(route('sign-in.second'));
        $this->get('/')->assertRedirect('/sign-in');
        $this->get(route('sign-in.second'))->assertOk()->assertSee('And the code');
        $this->post(route('sign-in.second.store'), ['code' => '000000'])->assertSessionHasErrors('code');
        // The one that it was set up with was used.
        $this->post(route('sign-in.second.store'), ['code' => $this->code($key)])->assertSessionHasErrors('code');
        $this->travel(40)->seconds();
        $this->post(route('sign-in.second.store'), ['code' => substr_replace($this->code($key), ' ', 3, 0)])->assertRedirect(route('home'));
        $this->assertAuthenticatedAs($this->ines);
        $this->post('/sign-out');
        // One that was written down, once, however it is typed.
        foreach ([true, false] as $opens) {
            $this->travel(2)->minutes();
            $this->post('/sign-in', ['email' => $this->ines->email, 'password' => 'a long password']);
            $answer = $this->post(route('sign-in.second.store'), ['code' => strtolower(substr_replace($written[0], '-', 5, 0))]);
            $opens ? $answer->assertRedirect(route('home')) : $answer->assertSessionHasErrors('code');
            $opens && $this->get(route('second'))->assertSee('7 of the codes that you wrote down are left.');
            $this->post('/sign-out');
        }
        // Who waits for too long gives the password again.
        $this->post('/sign-in', ['email' => $this->ines->email, 'password' => 'a long password']);
        $this->travel(11)->minutes();
        $this->post(route('sign-in.second.store'), ['code' => $this->code($key)])->assertRedirect(route('sign-in'));
        $this->assertGuest();
    }

    public function test_every_way_in_asks_for_it_and_guessing_ends(): void
    {
        [$key] = $this->setUpSecond();
        $this->post('/sign-out');
        $this->travel(40)->seconds();
        // A window that stood open says all at once.
        $sent = ['email' => $this->ines->email, 'password' => 'a long password'];
        $this->postJson('/sign-in', $sent)
            ->assertUnprocessable()
            ->assertJsonPath('errors.code.0', 'Your account asks for a code as well. Write the one that your app shows now.');
        $this->assertGuest();
        $this->postJson('/sign-in', [...$sent, 'code' => $this->code($key)])->assertOk()->assertJsonPath('id', $this->ines->id);
        $this->post('/sign-out');
        config(['attic.demo' => true]);
        $this->post(route('sign-in.demo', $this->ines))->assertRedirect(route('sign-in.second'));
        // After a forgotten password as well.
        $this->post(route('forgotten.ask'), ['email' => $this->ines->email]);
        preg_match('~https?://\S+~', (string) $this->app->make('db')->table('mails')->orderByDesc('id')->value('body'), $link);
        $this->post($link[0] ?? self::fail('No link'), [
            'password' => 'another long one',
            'password_confirmation' => 'another long one',
        ])->assertRedirect(route('sign-in.second'));
        $this->assertGuest();
        for ($wrong = 0; $wrong < 20; $wrong++) {
            RateLimiter::hit("second:{$this->ines->id}", 3_600);
        }
        $this->travel(40)->seconds();
        $this->post(route('sign-in.second.store'), ['code' => $this->code($key)])->assertSessionHasErrors('code');
        $this->assertGuest();
    }

    public function test_a_place_can_ask_its_owners_and_its_keeper_helps_who_lost_their_device(): void
    {
        config(['attic.owners_second' => true]);
        $tobi = $this->person('Tobi Brandt');
        $this->actingAs($tobi)->get('/account')->assertOk();
        $this->actingAs($this->ines)->get('/for-you')->assertRedirect(route('second'));
        $this->getJson('/for-you')->assertForbidden();
        $this->get('/account')->assertOk();
        $this->setUpSecond();
        $this->get('/for-you')->assertOk();
        $this->actingAs($tobi)->put(route('place.second', $this->ines))->assertNotFound();
        $tobi->forceFill(['keeps_place' => true])->save();
        $this->get(route('place'))->assertOk()->assertSee('New code for Ines Oduya, who sets it up again');
        $this->put(route('place.second', $this->ines))->assertSessionHas(
            'said',
            'Ines Oduya signs in without a code until they set it up again. They are told by mail.',
        );
        self::assertNull($this->ines->refresh()->second_key);
        // Off by the password alone.
        $this->setUpSecond();
        $this->delete(route('second.off'), ['current' => 'wrong'])->assertSessionHasErrors('current');
        $this->delete(route('second.off'), ['current' => 'a long password'])->assertSessionHasNoErrors();
        self::assertSame([null, []], [$this->ines->refresh()->second_key, $this->ines->recovery]);
    }

    /** @return array{string, list<string>} the key, and the codes that are written down */
    private function setUpSecond(): array
    {
        $this->actingAs($this->ines);
        preg_match('~second-key">([A-Z2-7 ]+)<~', (string) $this->get(route('second'))->assertOk()->getContent(), $key);
        $key = str_replace(' ', '', $key[1] ?? '');
        $this->post(route('second.store'), ['code' => '12'])->assertSessionHasErrors('code');
        $this->post(route('second.store'), ['code' => $this->code($key)])->assertSessionHasNoErrors();
        $written = $this->app->make('session.store')->get('written');
        $this->get(route('second'))->assertOk()->assertSee('You are asked for a code when you sign in.')->assertDontSee($key);
        $this->ines->refresh();

        return [$key, is_array($written) ? array_values(array_map(strval(...), $written)) : []];
    }

    private function code(string $key): string
    {
        return SecondFactor::code($key, intdiv(now()->getTimestamp(), 30));
    }
}

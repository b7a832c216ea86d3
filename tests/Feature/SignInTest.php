<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use Illuminate\Auth\SessionGuard;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\URL;
use PDO;

final class SignInTest extends FeatureCase
{
    public function test_guests_are_led_to_the_door_and_back(): void
    {
        $ines = $this->person('Ines Oduya');
        $shelf = $this->shelf('Volunteers', [[$ines, Role::Owner]]);
        $this->get(route('shelf', $shelf))->assertRedirect(route('sign-in'));
        $this->post(route('sign-in.store'), ['email' => $ines->email, 'password' => 'a long password'])->assertRedirect(
            route('shelf', $shelf),
        );
        $this->get(route('shelf', $shelf))->assertOk()->assertSee('Volunteers');
    }

    public function test_passwords_are_kept_hashed_and_a_wrong_one_is_refused(): void
    {
        $ines = $this->person('Ines Oduya');
        self::assertTrue(Hash::check('a long password', (string) $ines->password));
        $this->from(route('sign-in'))->post(route('sign-in.store'), ['email' => $ines->email, 'password' => 'another'])
            ->assertRedirect(route('sign-in'))->assertSessionHasErrors('email');
        $this->assertGuest();
    }

    public function test_attempts_are_throttled(): void
    {
        for ($i = 0; $i < 6; $i++) {
            $this->post(route('sign-in.store'), ['email' => 'ines@example.org', 'password' => 'no'])->assertRedirect();
        }
        $this->post(route('sign-in.store'), ['email' => 'ines@example.org', 'password' => 'no'])
            ->assertStatus(429)
            ->assertSee('A moment, please');
    }

    public function test_the_demos_people_come_in_with_one_press_only_in_the_demo(): void
    {
        $ines = $this->person('Ines Oduya');
        config(['attic.demo' => false]);
        $this->get(route('sign-in'))->assertDontSee('look around');
        $this->post(route('sign-in.demo', $ines))->assertNotFound();
        config(['attic.demo' => true]);
        $this->get(route('sign-in'))->assertSee('look around')->assertSee('Ines Oduya');
        $this->post(route('sign-in.demo', $ines))->assertRedirect();
        $this->assertAuthenticatedAs($ines);
        $this->post(route('sign-out'))->assertRedirect(route('sign-in'));
        $this->assertGuest();
    }

    public function test_addresses_are_the_place_s_own_and_never_from_the_host_that_a_request_names(): void
    {
        config(['app.url' => 'https://attic.example:8443', 'attic.hosts' => ['attic-inside.example']]);
        URL::useOrigin('https://attic.example:8443');
        URL::forceScheme('https');
        $ines = $this->person('Ines Oduya');
        $this->get('http://forged.example/sign-in?a=1')->assertRedirect('https://attic.example:8443/sign-in?a=1');
        $this->post('http://forged.example/sign-in', ['email' => 'a', 'password' => 'b'])->assertStatus(400);
        foreach (['http://attic.example', 'http://attic.example:99', 'http://attic-inside.example'] as $at) {
            $this->get("{$at}/")->assertRedirect('https://attic.example:8443/sign-in');
            $this->get("{$at}/sign-in")->assertOk()->assertSee('https://attic.example:8443/sign-in');
        }
        $shelf = $this->shelf('Volunteers', [[$ines, Role::Owner]]);
        $this->actingAs($ines)->post('http://attic-inside.example/shelves/'.$shelf->key.'/people', [
            'email' => 'vera@example.org',
            'name' => 'Vera',
            'role' => 'editor',
        ]);
        self::assertStringStartsWith('https://attic.example:8443/invitation/', (string) session('invitation'));
        $this->get((string) session('invitation'))->assertOk();
    }

    public function test_what_a_page_sends_is_for_whom_it_was_made_and_for_nobody_else(): void
    {
        [$ines, $nell] = [$this->person('Ines Oduya'), $this->person('Nell Warwick')];
        $item = $this->document($this->shelf('Volunteers', [[$ines, Role::Owner], [$nell, Role::Editor]]), $ines, 'One.');
        $sent = ['base' => $item->root, 'client' => 'w', 'content' => $this->wire($this->paragraphs('Hers.'))];
        $this->actingAs($ines)
            ->get(route('item', $item))
            ->assertSee("<meta name=\"person\" content=\"{$ines->id}\" data-key=\"{$ines->keptKey()}\">", false)
            ->assertDontSee($nell->keptKey());
        $this->actingAs($nell);
        $this->withHeader('X-Person', (string) $ines->id)
            ->putJson(route('state.save', $item), $sent)
            ->assertUnauthorized()
            ->assertSee('Somebody else is signed in here now');
        $this->withHeader('X-Person', (string) $ines->id)->getJson(route('live', [$item, 'client' => 'w']))->assertUnauthorized();
        self::assertSame(2, $item->refresh()->head);
        $this->withHeader('X-Person', (string) $nell->id)->putJson(route('state.save', $item), $sent)->assertOk();
        self::assertNotSame($ines->keptKey(), $nell->keptKey());
    }

    public function test_signing_in_ends_the_session_that_was_there(): void
    {
        $this->person('Ines Oduya');
        $this->person('Nell Warwick');
        $this->post(route('sign-in.store'), ['email' => 'ines@example.org', 'password' => 'a long password'])->assertRedirect();
        $token = session()->token();
        session()->put('hers', 'alone');
        $this->post(route('sign-in.store'), ['email' => 'nell@example.org', 'password' => 'a long password'])->assertRedirect();
        self::assertNotSame($token, session()->token());
        self::assertFalse(session()->has('hers'));
    }

    public function test_an_answer_that_was_under_way_does_not_bring_an_ended_session_back(): void
    {
        Route::get('/slow', function (Request $request): string {
            // Somebody else signs in at this browser meanwhile.
            $request->query('ends') === null || $this->app->make('session')->driver()->getHandler()->destroy($request->session()->getId());

            return $request->session()->getId();
        })->middleware('web');
        $name = (string) config('session.cookie');
        $session = (string) $this->get('/slow')->assertCookie($name)->getContent();
        $handler = $this->app->make('session')->driver()->getHandler();
        self::assertNotSame('', $handler->read($session));
        $this->withCookie($name, $session)->get('/slow?ends=1')->assertOk()->assertCookieMissing($name);
        self::assertSame('', $handler->read($session));
    }

    public function test_what_scripts_ask_for_beside_a_page_takes_no_message_away(): void
    {
        $ines = $this->person('Ines Oduya');
        $item = $this->document($this->shelf('Office', [[$ines, Role::Owner]]), $ines, 'One');
        $name = (string) config('session.cookie');
        $this->post(route('sign-in.store'), ['email' => 'ines@example.org', 'password' => 'a long password'])->assertRedirect();
        $this->withCookie($name, session()->getId());
        $this->get(route('history', $item))->assertOk();
        $this->put(route('milestone.mark', [$item, 2]), ['name' => 'Agreed'])->assertSessionHas('said');
        // What the page of before still asks for comes in between, and leads nobody back to itself.
        $this->withHeader('Sec-Fetch-Dest', 'empty')->get(route('ribbon', $item))->assertOk();
        $this->withHeader('Sec-Fetch-Dest', 'document')
            ->get(route('history', $item))
            ->assertOk()
            ->assertSee('data-said', false)
            ->assertSee('Agreed');
        self::assertSame(route('history', $item), session()->previousUrl());
        $this->get(route('history', $item))->assertOk()->assertDontSee('data-said', false);
    }

    public function test_what_another_tab_sent_before_it_knew_signs_nobody_in_again(): void
    {
        $ines = $this->person('Ines Oduya');
        $this->person('Nell Warwick');
        $name = (string) config('session.cookie');
        $remember = 'remember_web_'.sha1(SessionGuard::class);
        $first = $this->post(route('sign-in.store'), ['email' => 'ines@example.org', 'password' => 'a long password'])->assertRedirect();
        [$session, $recaller] = [session()->getId(), (string) $first->getCookie($remember)?->getValue()];
        self::assertSame($ines->id, auth()->id());
        // Nell signs in at the same browser; a request of Ines's tab was sent before that was answered, with all that Ines had.
        $this->withCookie($name, $session)
            ->post(route('sign-in.store'), ['email' => 'nell@example.org', 'password' => 'a long password'])
            ->assertRedirect();
        // As in another worker.
        auth()->forgetGuards();
        session()->flush();
        app('cookie')->flushQueuedCookies();
        $this->withCookies([$name => $session, $remember => $recaller])
            ->get(route('home'))
            ->assertRedirect(route('sign-in'))
            ->assertCookieMissing($name)
            ->assertCookieMissing($remember);
        self::assertNull(auth()->user());
    }

    public function test_a_place_that_can_not_write_is_not_well(): void
    {
        $this->get('/up')->assertOk();
        DB::statement('PRAGMA query_only = ON');
        $this->get('/up')->assertStatus(500);
        DB::statement('PRAGMA query_only = OFF');
    }

    public function test_a_place_whose_queue_nobody_works_is_not_well(): void
    {
        DB::table('jobs')->insert([
            'queue' => 'default',
            'payload' => '{}',
            'attempts' => 0,
            'available_at' => now()->getTimestamp(),
            'created_at' => now()->getTimestamp(),
        ]);
        $this->get('/up')->assertOk();
        $this->travel(20)->minutes();
        $this->get('/up')->assertStatus(500);
    }

    public function test_a_database_that_somebody_else_holds_is_asked_again_later(): void
    {
        $ines = $this->person('Ines Oduya');
        $shelf = $this->shelf('Volunteers', [[$ines, Role::Owner]]);
        DB::statement('PRAGMA busy_timeout = 10');
        $other = new PDO('sqlite:'.$this->databasePath());
        $other->exec('BEGIN IMMEDIATE');
        $this->actingAs($ines)
            ->post(route('shelf.make', $shelf), ['kind' => 'document', 'title' => 'New'])
            ->assertStatus(503)
            ->assertHeader('Retry-After', '3')
            ->assertSee('Others are writing just now');
        $this->postJson(route('shelf.make', $shelf), ['kind' => 'document', 'title' => 'New'])
            ->assertStatus(503)
            ->assertHeader('Retry-After', '3');
        $other->exec('ROLLBACK');
        $this->post(route('shelf.make', $shelf), ['kind' => 'document', 'title' => 'New'])->assertRedirect();
    }

    public function test_an_account_is_tried_so_often_an_hour_from_wherever(): void
    {
        $this->person('Ines Oduya');
        $statuses = array_map(
            fn (int $at) => $this->withServerVariables(['REMOTE_ADDR' => "10.0.0.{$at}"])
                ->postJson(route('sign-in.store'), ['email' => 'ines@example.org', 'password' => "guess {$at}"])
                ->status(),
            range(1, 70),
        );
        self::assertSame([422, 429], [$statuses[59], $statuses[60]]);
        // An address without an account takes as long: a password is hashed for it as well.
        $hashed = 0;
        Hash::shouldReceive('check')->never();
        Hash::shouldReceive('make')->once()->andReturnUsing(function () use (&$hashed): string {
            $hashed++;

            return 'a hash';
        });
        $this->withServerVariables(['REMOTE_ADDR' => '10.0.1.1'])
            ->postJson(route('sign-in.store'), ['email' => 'nobody@example.org', 'password' => 'guess'])
            ->assertUnprocessable();
        self::assertSame(1, $hashed);
    }

    public function test_a_wrong_query_leads_to_the_page_without_it(): void
    {
        $ines = $this->person('Ines Oduya');
        $item = $this->document($this->shelf('Volunteers', [[$ines, Role::Owner]]), $ines, 'One.');
        $this->actingAs($ines)->getJson(route('ribbon', $item))->assertOk();
        $this->get(route('history', $item).'?from=abc')->assertRedirect(route('history', $item));
        $this->get(route('history', $item).'?from=99999999999999999999&to[]=x')->assertRedirect(route('history', $item));
    }

    public function test_an_address_that_lacks_what_it_needs_is_no_error(): void
    {
        $ines = $this->person('Ines Oduya');
        $item = $this->document($this->shelf('Volunteers', [[$ines, Role::Owner]]), $ines, 'one');
        $this->actingAs($ines)->get(route('live', $item))->assertNotFound();
        $this->get(route('lines', $item))->assertNotFound();
    }

    public function test_every_answer_bears_the_headers_that_keep_scripts_out(): void
    {
        $policy = (string) $this->get(route('sign-in'))->headers->get('Content-Security-Policy');
        self::assertStringContainsString("script-src 'self'", $policy);
        self::assertStringNotContainsString('unsafe', $policy);
        self::assertStringNotContainsString('<script>', (string) $this->get(route('sign-in'))->getContent());
    }
}

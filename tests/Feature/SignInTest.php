<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\URL;

final class SignInTest extends FeatureCase
{
    public function test_guests_are_led_to_the_door_and_back(): void
    {
        $ines = $this->person('Ines Oduya');
        $shelf = $this->shelf('Volunteers', [[$ines, Role::Owner]]);
        $this->get(route('shelf', $shelf))->assertRedirect(route('sign-in'));
        $this->post(route('sign-in.store'), ['email' => $ines->email, 'password' => 'a long password'])->assertRedirect(route('shelf', $shelf));
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
        $this->post(route('sign-in.store'), ['email' => 'ines@example.org', 'password' => 'no'])->assertStatus(429)->assertSee('A moment, please');
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

    public function test_an_invitation_works_once_and_only_with_its_signature(): void
    {
        $jun = $this->person('Jun Castell');
        $jun->forceFill(['password' => null])->save();
        $link = URL::temporarySignedRoute('invitation', now()->addDay(), ['person' => $jun]);
        $this->get(route('invitation', $jun))->assertForbidden();
        $this->get($link)->assertOk()->assertSee('Welcome, Jun');
        $this->post($link, ['password' => 'short', 'password_confirmation' => 'short'])->assertSessionHasErrors('password');
        $this->post($link, ['password' => 'long enough now', 'password_confirmation' => 'long enough now'])->assertRedirect(route('home'));
        $this->assertAuthenticatedAs($jun);
        $this->get($link)->assertStatus(410);
    }

    public function test_every_answer_bears_the_headers_that_keep_scripts_out(): void
    {
        $policy = (string) $this->get(route('sign-in'))->headers->get('Content-Security-Policy');
        self::assertStringContainsString("script-src 'self'", $policy);
        self::assertStringNotContainsString('unsafe', $policy);
        self::assertStringNotContainsString('<script>', (string) $this->get(route('sign-in'))->getContent());
    }
}

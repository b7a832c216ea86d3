<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;

/** The page for whoever keeps the place, and people who are let in no more. */
final class KeeperTest extends FeatureCase
{
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
    }
}

<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** The page for whoever keeps the place, and people who are let in no more. */
final class KeeperTest extends FeatureCase
{
    public function test_the_first_person_of_an_empty_place_begins_it_and_nobody_after(): void
    {
        $this->get(route('sign-in'))->assertOk()->assertSee('An empty attic');
        $sent = [
            'name' => 'Ada Brook',
            'email' => 'ada@example.org',
            'password' => 'a long password',
            'password_confirmation' => 'a long password',
            'shelf' => 'Office',
        ];
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
        $this->actingAs($ines)
            ->get(route('place'))
            ->assertOk()
            ->assertSee('Tobi Brandt')
            ->assertSee('Office')
            ->assertDontSee('nowhere.invalid');
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
        $this->get(route('place'))
            ->assertOk()
            ->assertSeeInOrder([
                'What was done',
                'deleted the shelf “For a week” for good',
                'deleted the shelf “For a week”',
                'made the shelf “For a week”',
                'let Tobi Brandt in again',
                'let Tobi Brandt in no more',
            ]);
    }

    public function test_somebody_with_two_accounts_has_one_and_all_that_either_did(): void
    {
        [$ines, $tobi, $double] = [$this->person('Ines Oduya'), $this->person('Tobi Brandt'), $this->person('T Brandt')];
        $ines->update(['keeps_place' => true]);
        $shelf = $this->shelf('Office', [[$ines, Role::Owner], [$tobi, Role::Viewer], [$double, Role::Editor]]);
        $other = $this->shelf('Yard', [[$ines, Role::Owner], [$double, Role::Owner]]);
        $item = $this->document($shelf, $double, 'One', 'Two');
        $this->travel(5)->minutes();
        $this->save($item, $ines, $this->paragraphs('One by Ines', 'Two'));
        $this->travel(5)->minutes();
        $this->actingAs($double)->post(route('restore.store', [$item, 1]), ['seen' => $item->refresh()->head])->assertSessionHasNoErrors();
        $this->actingAs($double)->post(route('talk.begin', $item), ['text' => 'Is it so, @Tobi?', 'part' => '']);
        foreach ([$tobi, $double] as $person) {
            $this->actingAs($person)->put(route('watch.item', $item), ['how' => 'all']);
        }

        // As a version says that several wrote, and one that took somebody's edits out.
        $facts = fn (int $number): array => Version::query()
            ->where(['item_id' => $item->id, 'number' => $number])
            ->firstOrFail()->facts;
        DB::table('versions')
            ->where(['item_id' => $item->id, 'number' => 3])
            ->update(['facts' => json_encode(['by' => [$ines->id, $double->id, $tobi->id]] + $facts(3))]);
        DB::table('versions')
            ->where(['item_id' => $item->id, 'number' => 4])
            ->update(['facts' => json_encode(['author' => $double->id] + $facts(4))]);

        $this->actingAs($tobi)->get(route('place.merge', $double))->assertNotFound();
        $this->actingAs($tobi)
            ->post(route('place.merge.store', $double), ['into' => $tobi->id, 'address' => $double->email])
            ->assertForbidden();
        $this->actingAs($ines)->get(route('place.merge', $ines))->assertNotFound();
        $this->get(route('place.merge', $double))
            ->assertOk()
            ->assertSee('3 versions')
            ->assertSee('2 shelves')
            ->assertSee('can’t be undone');
        $this->post(route('place.merge.store', $double), ['into' => $double->id, 'address' => $double->email])->assertSessionHasErrors(
            'into',
        );
        $this->post(route('place.merge.store', $double), ['into' => $tobi->id, 'address' => 'else@example.org'])->assertSessionHasErrors(
            'address',
        );
        self::assertSame(3, Version::query()->where('user_id', $double->id)->count());
        $this->post(route('place.merge.store', $double), ['into' => $tobi->id, 'address' => $double->email])->assertSessionHas(
            'said',
            "It is one account now: Tobi Brandt, {$tobi->email}.",
        );

        self::assertNull(User::query()->find($double->id));
        self::assertSame(
            [$tobi->id, $tobi->id, $ines->id, $tobi->id],
            Version::query()->where('item_id', $item->id)->orderBy('number')->pluck('user_id')->all(),
        );
        self::assertSame(
            [Role::Editor, Role::Owner],
            [$shelf->refresh()->load('memberships')->roleOf($tobi), $other->load('memberships')->roleOf($tobi)],
        );
        self::assertSame([[$ines->id, $tobi->id], $tobi->id], [$facts(3)['by'] ?? [], $facts(4)['author'] ?? 0]);
        $this->get(route('talk', $item))->assertSee('Tobi')->assertDontSee('T Brandt');
        $this->get(route('place'))->assertSee("made one of two accounts: T Brandt ({$double->email}), Tobi Brandt ({$tobi->email})");
        self::assertSame([], DB::select('PRAGMA foreign_key_check'));
        self::assertSame(0, Artisan::call('attic:verify'));
    }

    public function test_two_accounts_that_both_propose_for_an_item_stay_two_until_one_is_answered(): void
    {
        [$ines, $tobi, $double] = [$this->person('Ines Oduya'), $this->person('Tobi Brandt'), $this->person('T Brandt')];
        $ines->update(['keeps_place' => true]);
        $item = $this->document(
            $this->shelf('Office', [[$ines, Role::Owner], [$tobi, Role::Editor], [$double, Role::Editor]]),
            $ines,
            'One',
        );
        foreach ([$tobi, $double] as $person) {
            $this->actingAs($person)->post(route('proposals.begin', $item))->assertRedirect();
        }
        $this->actingAs($ines)
            ->post(route('place.merge.store', $double), ['into' => $tobi->id, 'address' => $double->email])
            ->assertSessionHasErrors('into');
        // What both brought in under one name of a file is in the way as well; nothing goes for it.
        DB::table('proposals')->update(['said_by' => 'Dara Finch']);
        $this->actingAs($ines)
            ->post(route('place.merge.store', $double), ['into' => $tobi->id, 'address' => $double->email])
            ->assertSessionHasErrors(['into' => 'Both propose changes to “Bench rules”. Answer or withdraw one of the two there first.']);
    }
}

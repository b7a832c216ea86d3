<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Proposal;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use SimpleXMLElement;

/** Word that reaches people: what they watch by mail once a day, and feeds for programs. */
final class WatchTest extends FeatureCase
{
    private User $ines;

    private User $tobi;

    private User $rafi;

    private Shelf $shelf;

    protected function setUp(): void
    {
        parent::setUp();
        [$this->ines, $this->tobi, $this->rafi] = [$this->person('Ines Oduya'), $this->person('Tobi Brandt'), $this->person('Rafi Sand')];
        $this->shelf = $this->shelf('Office', [[$this->ines, Role::Owner], [$this->tobi, Role::Editor], [$this->rafi, Role::Viewer]]);
    }

    public function test_what_others_changed_on_what_one_watches_comes_once_a_day(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'Before');
        $this->actingAs($this->ines)->get(route('watch', $item))->assertOk()->assertSee('as of its shelf: nothing');
        $this->put(route('watch.shelf', $this->shelf), ['how' => 'all'])->assertRedirect();
        self::assertSame([], $this->mails());
        // What was there before is no news, nor is one's own.
        $this->save($item, $this->ines, $this->paragraphs('Before', 'By Ines'));
        self::assertSame([], $this->mails());
        $this->save($item, $this->tobi, $this->paragraphs('Before', 'By Ines', 'By Tobi'));
        $mail = $this->mails()[0] ?? '';
        self::assertStringContainsString("Bench rules, Office\n- Tobi: Added “By Tobi”", $mail);
        self::assertStringNotContainsString('By Ines”', $mail);
        // Once.
        self::assertCount(1, $this->mails());
        // Of an item one may want less than of its shelf.
        $this->put(route('watch.item', $item), ['how' => 'marks']);
        $this->save($item, $this->tobi, $this->paragraphs('Before', 'By Tobi, again'));
        self::assertCount(1, $this->mails());
        $this->put(route('watch.item', $item), ['how' => '']);
        $this->save($item, $this->tobi, $this->paragraphs('Before', 'Once more'));
        self::assertCount(2, $this->mails());
        // Who is off the shelf, or has had enough, gets nothing.
        $link = (string) preg_replace('~^.*(https?://\S+/mails/none/\S+).*$~s', '$1', $this->mails()[1] ?? '');
        auth()->forgetGuards();
        $this->get($link)->assertOk()->assertSee('No more');
        self::assertSame('daily', $this->ines->refresh()->mails);
        $this->post($link)->assertOk()->assertSee('is no longer mailed');
        self::assertSame('none', $this->ines->refresh()->mails);
        $this->post($link.'x')->assertForbidden();
        $this->save($item, $this->tobi, $this->paragraphs('Before', 'Not told'));
        self::assertCount(2, $this->mails());
    }

    public function test_word_comes_soon_to_who_wants_it_so_and_not_of_what_may_still_grow(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'Before');
        $this->actingAs($this->ines)->put(route('watch.shelf', $this->shelf), ['how' => 'all']);
        $this->put(route('account.mails'), ['mails' => 'soon'])->assertSessionHasNoErrors();
        $this->put(route('account.mails'), ['mails' => 'hourly'])->assertSessionHasErrors('mails');
        $this->travel(1)->hours();
        $this->save($item, $this->tobi, $this->paragraphs('Before', 'By Tobi'));
        Artisan::call('attic:digest', ['--soon' => true]);
        self::assertSame(0, DB::table('mails')->count());
        $this->save($item, $this->tobi, $this->paragraphs('Before', 'By Tobi', 'And more'));
        self::assertCount(0, $this->mails());
        $mails = $this->mails(['--soon' => true]);
        self::assertSame([1, 1], [count($mails), substr_count($mails[0], 'And more')]);
        self::assertCount(1, $this->mails(['--soon' => true]));
    }

    public function test_what_goes_on_in_one_version_is_told_of_again(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'Before');
        $this->actingAs($this->ines)->put(route('watch.shelf', $this->shelf), ['how' => 'all']);
        $this->shelf->update(['unkept_kinds' => ['document']]);
        $this->travel(1)->hours();
        $this->save($item, $this->tobi, $this->paragraphs('Before', 'By Tobi'));
        $head = $item->refresh()->head;
        self::assertCount(1, $this->mails());
        $this->travel(1)->hours();
        $this->save($item, $this->tobi, $this->paragraphs('Before', 'By Tobi', 'And later'));
        self::assertSame($head, $item->refresh()->head);
        $mails = $this->mails();
        self::assertSame([2, 1], [count($mails), substr_count($mails[1], 'added 2 paragraphs')]);
        $this->travel(1)->hours();
        self::assertCount(2, $this->mails());
    }

    public function test_the_daily_mail_comes_in_the_morning_of_whoever_reads_it(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'Before');
        $this->actingAs($this->ines)->put(route('watch.shelf', $this->shelf), ['how' => 'all']);
        $this->ines->update(['zone' => 'Pacific/Auckland']);
        $this->save($item, $this->tobi, $this->paragraphs('Before', 'By Tobi'));
        $mailed = [];
        for ($hour = CarbonImmutable::parse('2026-11-10 00:30'); $hour->lessThan('2026-11-11 00:30'); $hour = $hour->addHour()) {
            Date::setTestNow($hour);
            Artisan::call('attic:digest', ['--morning' => true]);
            DB::table('mails')->count() === count($mailed) || $mailed[] = $hour->format('H:i');
        }
        // Half past six on the other side of the world, in summer there.
        self::assertSame(['17:30'], $mailed);
    }

    public function test_a_mail_tells_what_was_said_to_somebody_and_proposed_who_watches_nothing(): void
    {
        $item = $this->document($this->shelf, $this->ines, 'Before');
        $part = $this->tree($item)->parts[0]->id;
        $this->travel(2)->minutes();
        // Begun long before anything was written on it.
        $this->actingAs($this->tobi)->post(route('proposals.begin', $item));
        $line = Proposal::lineFor($this->tobi, $item)->line ?? self::fail();
        $this->travel(2)->days();
        $this->post(route('talk.begin', $item), ['part' => $part, 'text' => '@Ines Before what?']);
        $this->save($line, $this->tobi, $this->paragraphs('Before noon'));
        $mails = $this->mails();
        self::assertCount(1, $mails);
        self::assertStringContainsString('Tobi calls you on “Before”: “@Ines Before what?” (Bench rules, ', $mails[0]);
        self::assertStringContainsString(route('proposals', [$item, 'of' => 1]), $mails[0]);
        self::assertSame('2 things were said to you at Misty Attic', DB::table('mails')->value('subject'));
        // Once; and whoever proposed is told the answer.
        self::assertCount(1, $this->mails());
        $proposal = Proposal::query()->firstOrFail();
        $this->actingAs($this->ines)
            ->put(route('proposals.answer', [$item, $proposal]), [
                'do' => 'declined',
                'seen' => $item->refresh()->head,
                'state' => $proposal->root,
                'word' => 'Not at noon.',
            ])
            ->assertSessionHasNoErrors();
        $mails = $this->mails();
        self::assertCount(2, $mails);
        self::assertStringContainsString('Not at noon.', $mails[1]);
    }

    public function test_nobody_is_told_what_is_not_theirs_to_see(): void
    {
        $page = $this->page($this->shelf, $this->tobi, 'A secret draft');
        $item = $this->document($this->shelf, $this->tobi, 'Open');
        $this->actingAs($this->rafi)->put(route('watch.shelf', $this->shelf), ['how' => 'all']);
        $this->save($page, $this->tobi, $this->column('A more secret draft'));
        $this->save($item, $this->tobi, $this->paragraphs('Open', 'More'));
        $mails = implode('', $this->mails());
        self::assertStringContainsString('Added “More”', $mails);
        self::assertStringNotContainsString('secret', $mails);
        $this->put(route('account.feed'), ['key' => 1]);
        $key = (string) $this->rafi->refresh()->feed_key;
        auth()->forgetGuards();
        $this->get("/feeds/{$key}/shelves/{$this->shelf->key}")->assertOk()->assertSee('Added “More”')->assertDontSee('secret');
        $this->get("/feeds/{$key}/items/{$page->key}")->assertNotFound();
        $this->shelf->memberships()->where('user_id', $this->rafi->id)->delete();
        $this->get("/feeds/{$key}/shelves/{$this->shelf->key}")->assertNotFound();
        $this->save($item, $this->tobi, $this->paragraphs('Open', 'More', 'And more'));
        self::assertCount(1, $this->mails());
    }

    public function test_a_feed_is_atom_goes_with_its_key_and_a_public_address_has_one(): void
    {
        $item = $this->document($this->shelf, $this->tobi, 'One & <two>');
        $this->actingAs($this->ines)->put(route('account.feed'), ['key' => 1]);
        $key = (string) $this->ines->refresh()->feed_key;
        $this->get(route('watch', $item))->assertSee("/feeds/{$key}/items/{$item->key}");
        auth()->forgetGuards();
        $answer = $this->get("/feeds/{$key}/items/{$item->key}")
            ->assertOk()
            ->assertHeader('Content-Type', 'application/atom+xml; charset=utf-8');
        self::assertSame([], $answer->headers->getCookies());
        $feed = new SimpleXMLElement((string) $answer->getContent());
        self::assertSame(
            ['Bench rules', 2, 'Tobi Brandt'],
            [(string) $feed->title, count($feed->entry), (string) $feed->entry[0]->author->name],
        );
        $this->actingAs($this->ines)->put(route('account.feed'), ['key' => 0]);
        $this->get("/feeds/{$key}/items/{$item->key}")->assertNotFound();
        $page = $this->page($this->shelf, $this->ines, 'Hours');
        $this->publish($page, $this->ines);
        $this->open($page, 'hours');
        self::assertCount(1, (new SimpleXMLElement((string) $this->get('/read/hours/feed')->assertOk()->getContent()))->entry);
        $this->get('/read/nowhere/feed')->assertNotFound();
    }

    /**
     * @phpstan-impure
     *
     * @param  array<string, bool>  $options
     * @return list<string> what was mailed so far, once today's digests are sent
     */
    private function mails(array $options = []): array
    {
        // What may still grow is not told of yet.
        $this->travel(3)->minutes();
        Artisan::call('attic:digest', $options);

        return array_values(array_map(strval(...), DB::table('mails')->orderBy('id')->pluck('body')->all()));
    }
}

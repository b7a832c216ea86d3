<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Item;
use App\Models\Publishing;
use App\Models\Role;
use App\Models\User;
use App\Publishing\Unpublish;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Date;
use Illuminate\Testing\TestResponse;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use Symfony\Component\HttpFoundation\Response;

/** What the public reads, and RFC 7089 over it. */
final class ReadTest extends FeatureCase
{
    private User $ines;

    private Item $item;

    /** @var list<Publishing> the third is live, the draft is newer */
    private array $published = [];

    protected function setUp(): void
    {
        parent::setUp();
        $this->ines = $this->person('Ines Oduya');
        $this->item = $this->page($this->shelf('Website', [[$this->ines, Role::Owner]]), $this->ines, 'First words');
        foreach (['First words', 'Second words', 'Third words'] as $at => $words) {
            Date::setTestNow('2026-05-0'.(5 + $at).' 12:00:00');
            if ($at > 0) {
                $this->save($this->item, $this->ines, $this->column($words));
            }
            $this->published[] = $this->publish($this->item, $this->ines);
        }
        $this->save($this->item, $this->ines, $this->column('Draft words'));
        $this->open($this->item, 'opening-hours');
    }

    public function test_everybody_reads_what_is_live_without_a_cookie_and_without_scripts(): void
    {
        $read = $this->get('/read/opening-hours')
            ->assertOk()
            ->assertSee('Third words')
            ->assertDontSee('Draft words')
            ->assertDontSee('<script', false);
        self::assertSame([], $read->headers->getCookies());
        self::assertStringStartsWith(
            "default-src 'none'; style-src 'self'; font-src",
            (string) $read->headers->get('Content-Security-Policy'),
        );
        self::assertStringContainsString('public', (string) $read->headers->get('Cache-Control'));
    }

    public function test_validators_say_when_nothing_has_changed(): void
    {
        $read = $this->get('/read/opening-hours');
        [$tag, $date] = [(string) $read->headers->get('ETag'), (string) $read->headers->get('Last-Modified')];
        self::assertMatchesRegularExpression('/^"[0-9a-f]+"$/', $tag);
        self::assertSame(304, $this->get('/read/opening-hours', ['If-None-Match' => $tag])->status());
        self::assertSame(304, $this->get('/read/opening-hours', ['If-Modified-Since' => $date])->status());
        self::assertSame(200, $this->get('/read/opening-hours', ['If-None-Match' => '"other"'])->status());
        $this->save($this->item, $this->ines, $this->column('Another draft'));
        self::assertSame(
            304,
            $this->get('/read/opening-hours', ['If-None-Match' => $tag])->status(),
            'a draft changes nothing for readers',
        );
        $this->publish($this->item, $this->ines);
        $this->get('/read/opening-hours', ['If-None-Match' => $tag])->assertOk()->assertSee('Another draft');
    }

    public function test_a_moment_leads_to_what_was_live_then(): void
    {
        foreach ([
            'Mon, 01 Jan 2024 00:00:00 GMT' => 0, // before it began: the first
            $this->http(0) => 0,
            'Tue, 05 May 2026 23:00:00 GMT' => 0,
            'Wed, 06 May 2026 23:00:00 GMT' => 1,
            'Fri, 01 Jan 2027 00:00:00 GMT' => 2,
        ] as $moment => $which) {
            $gate = $this->get('/read/opening-hours', ['Accept-Datetime' => $moment]);
            self::assertSame([302, $this->memento($which)], [$gate->status(), $gate->headers->get('Location')], $moment);
            self::assertSame('Accept-Datetime', $gate->headers->get('Vary'));
            self::assertFalse($gate->headers->has('Memento-Datetime'));
            $memento = $this->get((string) $gate->headers->get('Location'));
            self::assertSame($this->http($which), $memento->assertOk()->headers->get('Memento-Datetime'));
            $memento->assertSee(['First words', 'Second words', 'Third words'][$which]);
        }
    }

    public function test_a_moment_that_is_none_is_refused_and_says_how(): void
    {
        foreach (
            ['yesterday', 'Thu, 31 Feb 2026 20:35:00 GMT', 'Mon, 05 May 2026 12:00:00 GMT', 'Tue, 05 May 2026 25:00:00 GMT'] as $none
        ) {
            $this->get('/read/opening-hours', ['Accept-Datetime' => $none])
                ->assertStatus(400)
                ->assertSee('Thu, 31 May 2026');
        }
    }

    public function test_a_moment_when_nothing_was_live_leads_to_nothing(): void
    {
        Date::setTestNow('2026-05-10 12:00:00');
        $this->app->make(Unpublish::class)->handle($this->item, $this->ines);
        Date::setTestNow('2026-05-12 12:00:00');
        $this->publish($this->item, $this->ines);
        $gap = $this->get('/read/opening-hours', ['Accept-Datetime' => 'Mon, 11 May 2026 12:00:00 GMT'])
            ->assertNotFound()
            ->assertSee('Nothing was published here at that time')
            ->assertDontSee('Third words');
        self::assertSame(route('read.timemap', 'opening-hours'), $this->links($gap)['timemap']);
        $this->get('/read/opening-hours', ['Accept-Datetime' => 'Sun, 10 May 2026 11:59:59 GMT'])->assertRedirect($this->memento(2));
    }

    public function test_what_only_the_shelf_saw_is_not_the_public_s_unless_the_owner_says_so(): void
    {
        $page = $this->page($this->item->shelf, $this->ines, 'Only for us');
        $this->publish($page, $this->ines);
        $this->save($page, $this->ines, $this->column('For everybody'));
        $this->publish($page, $this->ines);
        $this->actingAs($this->ines)->put(route('public', $page), ['open' => '1'])->assertRedirect();
        $address = (string) $page->refresh()->address;
        $hidden = $page->publishings()->where('count', 1)->firstOrFail();
        $stamp = $hidden->decided_at?->format('YmdHis');
        $everywhere = fn (): string => implode("\n", [
            $this->get("/read/{$address}")->getContent(),
            $this->get("/read/{$address}/timemap")->getContent(),
            $this->get("/read/{$address}/{$stamp}")->getContent(),
            $this->get("/read/{$address}", ['Accept-Datetime' => 'Fri, 01 Jan 2027 00:00:00 GMT'])->headers->get('Link'),
        ]);
        self::assertStringNotContainsString('Only for us', $everywhere());
        self::assertStringNotContainsString((string) $stamp, $everywhere());
        // Closed, replaced and opened again: what stood there while it was closed is not shown either.
        $this->put(route('public', $page), ['open' => '0']);
        $this->save($page, $this->ines, $this->column('While it was closed'));
        $this->publish($page, $this->ines);
        $this->save($page, $this->ines, $this->column('Open again'));
        $this->publish($page, $this->ines);
        $this->put(route('public', $page), ['open' => '1']);
        self::assertSame([false, true, false, true], $page->publishings()->orderBy('count')->pluck('is_public')->all());

        $this->get(route('publish', [$page, 2]))->assertSee('2 states that the shelf saw before');
        $this->put(route('public', $page), ['open' => '1', 'earlier' => '1'])->assertSessionHas(
            'said',
            'Everybody who has the address may read what the shelf saw before, too.',
        );
        self::assertStringContainsString('Only for us', $everywhere());
    }

    public function test_links_lead_to_neighbours_map_and_original(): void
    {
        $links = $this->links($this->get($this->memento(1)));
        self::assertSame(route('read', 'opening-hours'), $links['original timegate']);
        self::assertSame(route('read.timemap', 'opening-hours'), $links['timemap']);
        self::assertSame(
            [$this->memento(0), $this->memento(1), $this->memento(2)],
            [$links['first prev memento'], $links['memento'], $links['last next memento']],
        );
        $present = $this->get('/read/opening-hours');
        self::assertSame('Accept-Datetime', $present->headers->get('Vary'));
        self::assertArrayHasKey('last memento', $this->links($present));
        $present
            ->assertSee('<link rel="timemap" type="application/link-format" href="'.route('read.timemap', 'opening-hours').'">', false)
            ->assertSee('<link rel="original timegate" href="'.route('read', 'opening-hours').'">', false);
    }

    public function test_the_map_lists_what_was_published_and_nothing_else(): void
    {
        $map = $this->get('/read/opening-hours/timemap')->assertOk()->assertHeader('Content-Type', 'application/link-format');
        $lines = explode(",\n", trim((string) $map->getContent()));
        self::assertCount(5, $lines);
        self::assertSame('<'.route('read', 'opening-hours').'>;rel="original timegate"', $lines[0]);
        self::assertSame(
            '<'
                .route('read.timemap', 'opening-hours')
                .'>;rel="self";type="application/link-format";from="'
                .$this->http(0)
                .'";until="'
                .$this->http(2)
                .'"',
            $lines[1],
        );
        self::assertSame('<'.$this->memento(0).'>;rel="first memento";datetime="'.$this->http(0).'"', $lines[2]);
        self::assertSame('<'.$this->memento(2).'>;rel="last memento";datetime="'.$this->http(2).'"', $lines[4]);
    }

    public function test_only_moments_of_publishings_are_there(): void
    {
        $draft = $this->item->versions()->where('number', 5)->firstOrFail();
        $this->get('/read/opening-hours/'.$draft->saved_at->format('YmdHis'))->assertNotFound();
        $this->get('/read/opening-hours/20260101000000')->assertNotFound();
        $this->get('/read/nothing-here')->assertNotFound();
    }

    public function test_what_is_closed_or_offline_is_not_there_in_any_form(): void
    {
        $this->actingAs($this->ines)->put(route('public', $this->item), ['open' => '0'])->assertRedirect();
        $all = ['/read/opening-hours', '/read/opening-hours/timemap', $this->memento(0)];
        foreach ($all as $path) {
            $this->get($path)->assertNotFound();
        }
        $this->put(route('public', $this->item), ['open' => '1'])->assertRedirect();
        $this->get('/read/opening-hours')->assertOk();
        $this->delete(route('unpublish', $this->item))->assertRedirect();
        foreach ($all as $path) {
            $this->get($path)->assertNotFound();
        }
    }

    public function test_an_address_is_made_of_the_title_once_and_stays(): void
    {
        $shelf = $this->item->shelf;
        $make = function () use ($shelf): Item {
            $item = $this->page($shelf, $this->ines, 'Words');
            $item->update(['title' => 'Bring a “thing” & its lead!']);
            $this->actingAs($this->ines)->put(route('public', $item), ['open' => '1'])->assertRedirect();

            return $item->refresh();
        };
        [$one, $two] = [$make(), $make()];
        self::assertSame(['bring-a-thing-its-lead', 'bring-a-thing-its-lead-2'], [$one->address, $two->address]);
        $one->update(['title' => 'Another title']);
        $this->put(route('public', $one), ['open' => '0']);
        $this->put(route('public', $one), ['open' => '1']);
        self::assertSame('bring-a-thing-its-lead', $one->refresh()->address);
    }

    public function test_only_pictures_that_were_published_are_public(): void
    {
        $this->actingAs($this->ines);
        [$shown, $hidden] = array_map(
            fn (int $side) => (string) $this->post(route('picture.store', $this->item), [
                'picture' => UploadedFile::fake()->image('p.png', $side, $side),
            ])
                ->assertOk()
                ->json('chunk'),
            [3, 4],
        );
        $with = fn (string $chunk): PartTree => PartTree::of([
            ...$this->column('Words')->parts,
            new Part('b009', 'picture', 2, ['chunk' => $chunk, 'alt' => 'A picture', 'caption' => '', 'width' => 3, 'height' => 3]),
        ]);
        $this->save($this->item, $this->ines, $with($shown));
        $this->publish($this->item, $this->ines);
        $this->save($this->item, $this->ines, $with($hidden));
        $this->get("/read/opening-hours/pictures/{$shown}")->assertOk()->assertHeader('Content-Type', 'image/png');
        $this->get("/read/opening-hours/pictures/{$hidden}")->assertNotFound();
        $this->get('/read/opening-hours')->assertSee("/read/opening-hours/pictures/{$shown}", false);
    }

    private function memento(int $which): string
    {
        return route('read.memento', ['opening-hours', (string) $this->published[$which]->decided_at?->format('YmdHis')]);
    }

    private function http(int $which): string
    {
        return (string) $this->published[$which]->decided_at?->format('D, d M Y H:i:s \G\M\T');
    }

    /**
     * @param  TestResponse<Response>  $response
     * @return array<string, string> by relation
     */
    private function links(TestResponse $response): array
    {
        preg_match_all('/<([^>]+)>;rel="([^"]+)"/', (string) $response->headers->get('Link'), $found);

        return array_combine($found[2], $found[1]);
    }
}

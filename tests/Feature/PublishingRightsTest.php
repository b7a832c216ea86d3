<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Drafts;
use App\Models\Item;
use App\Models\Picture;
use App\Models\Publishing;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Publishing\AskToPublish;
use Illuminate\Support\Facades\Date;
use Illuminate\Testing\TestResponse;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;

/** Who may do what with what is published, and that nobody sees a draft who should not: 2 is live, 3 waits for a yes, 4 is the draft. */
final class PublishingRightsTest extends FeatureCase
{
    private Shelf $shelf;

    private Item $item;

    private Publishing $wish;

    /** @var array<string, User> */
    private array $people;

    /** Every word of which only drafts know. */
    private const SECRETS = [
        'Asked for words',
        'Draft words',
        'Draft title',
        'Draft milestone',
        'Draft note',
        'Draft picture',
        'Draft link',
        'Draft caption',
    ];

    protected function setUp(): void
    {
        parent::setUp();
        $this->people = [
            'owner' => $this->person('Ines Oduya'),
            'editor' => $this->person('Tobi Brandt'),
            'approver' => $this->person('Rafi Sadek'),
            'viewer' => $this->person('Jun Castell'),
            'stranger' => $this->person('Nell Warwick'),
        ];
        $this->shelf = $this->shelf('Website', [
            [$this->people['owner'], Role::Owner],
            [$this->people['editor'], Role::Editor],
            [$this->people['approver'], Role::Viewer],
            [$this->people['viewer'], Role::Viewer],
        ]);
        $this->shelf
            ->memberships()
            ->where('user_id', $this->people['approver']->id)
            ->update(['publishes' => true]);
        $this->shelf->update(['asks' => true]);
        $this->item = $this->page($this->shelf, $this->people['owner'], 'Open on Saturdays');
        $this->publish($this->item, $this->people['owner']);
        $this->save($this->item, $this->people['editor'], $this->column('Open on Saturdays', 'Asked for words'));
        $version = $this->item->refresh()->versions()->where('number', 3)->firstOrFail();
        $this->wish = $this->app
            ->make(AskToPublish::class)
            ->handle($version->setRelation('item', $this->item), $this->people['editor'], 'Draft note');
        $draft = $this->column('Draft words', 'Asked for words');
        Picture::query()->create([
            'item_id' => $this->item->id,
            'chunk' => str_repeat('a', 40),
            'type' => 'image/png',
            'width' => 1,
            'height' => 1,
        ]);
        $this->save(
            $this->item,
            $this->people['editor'],
            PartTree::of([
                ...$draft->parts,
                new Part('b003', 'picture', 2, [
                    'chunk' => str_repeat('a', 40),
                    'alt' => 'Draft picture',
                    'caption' => 'Draft caption',
                    'width' => 0,
                    'height' => 0,
                ]),
                new Part('b004', 'button', 2, ['label' => 'Draft link', 'target' => '/x']),
            ]),
        );
        $this->item->update(['title' => 'Draft title']);
        $this->open($this->item, 'opening-hours');
        Version::query()
            ->where(['item_id' => $this->item->id, 'number' => 4])
            ->firstOrFail()
            ->milestone()
            ->create(['name' => 'Draft milestone', 'user_id' => $this->people['editor']->id]);
        self::assertSame(4, $this->item->refresh()->head);
    }

    /** @return array<string, array{string, string, list<string>, array<string, string>}> method, route, who may, data */
    public static function routes(): array
    {
        $all = ['viewer', 'approver', 'editor', 'owner'];

        return [
            'reading' => ['get', 'item', $all, []],
            'history' => ['get', 'history', $all, []],
            'the newest state' => ['get', 'state', ['editor', 'owner'], []],
            'the foot' => ['get', 'item.foot', ['editor', 'owner'], []],
            'a part' => ['get', 'part', ['editor', 'owner'], []],
            'looking at what a publishing would change' => ['get', 'publish', ['approver', 'editor', 'owner'], []],
            'publishing or asking' => ['post', 'publish.store', ['approver', 'editor', 'owner'], []],
            'looking at a wish' => ['get', 'wish', ['approver', 'editor', 'owner'], []],
            'saying yes' => ['put', 'wish.answer', ['approver', 'owner'], ['answer' => 'published']],
            'taking it offline' => ['delete', 'unpublish', ['approver', 'owner'], []],
            'opening it to the public' => ['put', 'public', ['approver', 'owner'], ['open' => '1']],
        ];
    }

    /**
     * @param  list<string>  $may
     * @param  array<string, string>  $data
     */
    #[DataProvider('routes')]
    public function test_a_route_lets_in_those_who_may_and_nobody_else(string $method, string $route, array $may, array $data): void
    {
        $url = $this->url($route);
        $this->json($method, $url, $data)->assertUnauthorized();
        self::assertSame(404, $this->actingAs($this->people['stranger'])->json($method, $url, $data)->status(), 'a stranger');
        foreach (['viewer', 'approver', 'editor', 'owner'] as $who) {
            $status = $this->actingAs($this->people[$who])->json($method, $url, $data)->status();
            in_array($who, $may, true) ? self::assertContains($status, [200, 302], $who) : self::assertContains($status, [403, 404], $who);
        }
    }

    public function test_an_editor_asks_where_an_approver_publishes(): void
    {
        $this->actingAs($this->people['editor'])->post(route('publish.store', [$this->item, 4]), ['note' => 'Please'])->assertRedirect();
        self::assertSame([2, 'withdrawn'], [$this->item->refresh()->live?->version->number, $this->wish->refresh()->state->value]);
        $this->actingAs($this->people['owner'])
            ->put(route('wish.answer', [$this->item, $this->item->publishings()->waiting()->firstOrFail()]), ['answer' => 'published'])
            ->assertRedirect();
        self::assertSame(4, $this->item->refresh()->live?->version->number);
    }

    public function test_nobody_says_yes_to_their_own_wish_while_others_may(): void
    {
        $this->wish->update(['user_id' => $this->people['owner']->id]);
        $this->actingAs($this->people['owner'])
            ->put(route('wish.answer', [$this->item, $this->wish]), ['answer' => 'published'])
            ->assertForbidden()
            ->assertSee('somebody else');
        $this->actingAs($this->people['approver'])
            ->put(route('wish.answer', [$this->item, $this->wish]), ['answer' => 'published'])
            ->assertRedirect();
        self::assertSame(3, $this->item->refresh()->live?->version->number);
    }

    public function test_only_who_asked_takes_a_wish_back(): void
    {
        $this->actingAs($this->people['owner'])
            ->put(route('wish.answer', [$this->item, $this->wish]), ['answer' => 'withdrawn'])
            ->assertForbidden();
        $this->actingAs($this->people['editor'])
            ->put(route('wish.answer', [$this->item, $this->wish]), ['answer' => 'withdrawn'])
            ->assertRedirect();
        self::assertSame('withdrawn', $this->wish->refresh()->state->value);
    }

    public function test_a_wish_of_another_item_is_not_there(): void
    {
        $other = $this->page($this->shelf, $this->people['owner'], 'Other');
        $this->actingAs($this->people['owner'])->get(route('wish', [$other, $this->wish]))->assertNotFound();
        $this->actingAs($this->people['owner'])
            ->put(route('wish.answer', [$other, $this->wish]), ['answer' => 'published'])
            ->assertNotFound();
    }

    /** @return array<string, array{string}> */
    public static function readers(): array
    {
        return ['a viewer' => ['viewer'], 'who may say yes' => ['approver']];
    }

    #[DataProvider('readers')]
    public function test_no_draft_leaks_to_those_who_shall_not_see_it(string $who): void
    {
        $this->actingAs($this->people[$who]);
        $secrets = $who === 'approver' ? array_values(array_diff(self::SECRETS, ['Asked for words', 'Draft note'])) : self::SECRETS;
        $paths = [
            route('shelf', $this->shelf),
            route('people', $this->shelf),
            route('item', $this->item),
            route('history', $this->item),
            route('list', $this->item),
            route('ribbon', $this->item),
            ...array_map(fn (string $query) => route('history', $this->item).$query, [
                '?from=1&to=4',
                '?from=2&to=4',
                '?from=4&to=4&view=was',
                '?from=3&to=4&layout=source',
                '?from=2&to=2&view=was',
                '?from=2&to=2&layout=side',
                '?from=2&to=2&view=who',
                '?from=2&to=4&view=who',
            ]),
            route('live', [$this->item, 'client' => 'w']),
            route('state', $this->item),
            route('item.foot', $this->item),
            route('item.notes', $this->item),
            ...array_map(fn (int $number) => route('line', [$this->item, $number]), [1, 2, 4]),
            ...array_map(fn (string $format) => route('download', [$this->item, 4, $format]), ['html', 'md', 'json']),
            ...array_map(fn (string $format) => route('download', [$this->item, 2, $format]), ['html', 'md', 'json']),
            ...array_map(fn (string $format) => route('comparison', [$this->item, 2, 4, $format]), ['html', 'xlsx']),
            route('copy', [$this->item, 4]),
            route('restore', [$this->item, 2]),
            route('publish', [$this->item, 4]),
            route('part', [$this->item, 'b001']),
            route('picture', [$this->item, str_repeat('a', 40)]),
            route('take-out', ['item' => $this->item, 'from' => 1, 'to' => 4, 'by' => $this->people['editor']->id]),
            route('read', 'opening-hours'), route('read.timemap', 'opening-hours'),
        ];
        foreach ($paths as $path) {
            foreach ([$this->get($path), $this->getJson($path)] as $response) {
                $said = $this->said($response);
                foreach ($secrets as $secret) {
                    self::assertStringNotContainsString($secret, $said, $path);
                }
                self::assertNotSame(500, $response->status(), $path);
            }
        }
        $this->get(route('item', $this->item))->assertOk()->assertSee('Open on Saturdays')->assertSee('Opening hours');
        $own = $this->shelf('Own', [[$this->people[$who], Role::Owner]]);
        $this->post(route('copy.store', [$this->item, 4]), ['title' => 'Mine', 'shelf' => $own->key])->assertNotFound();
        $this->post(route('copy.store', [$this->item, 2]), ['title' => 'Mine', 'shelf' => $own->key])->assertRedirect();
        self::assertSame(
            ['Open on Saturdays'],
            array_values(array_filter($this->texts($own->items()->firstOrFail()), fn (string $text) => $text !== '')),
        );
        $this->get(route('download', [$this->item, 4, 'html']))->assertNotFound();
        self::assertSame($who === 'approver' ? 200 : 404, $this->get(route('download', [$this->item, 3, 'html']))->status());
    }

    public function test_a_history_tells_readers_neither_numbers_nor_times_of_drafts(): void
    {
        Date::setTestNow('2026-06-17 03:33:00');
        // As many drafts as make a number that is nowhere else.
        for ($draft = 5; $draft <= 43; $draft++) {
            $this->save($this->item, $this->people['editor'], $this->column("Draft words {$draft}"));
        }
        $this->item->refresh()->update(['changed_at' => Date::now()]);
        $times = Version::query()
            ->where('item_id', $this->item->id)
            ->where('number', '>', 3)
            ->pluck('saved_at')
            ->map(fn (mixed $at) => Date::parse((string) $at)->format('H:i'))
            ->all();
        Date::setTestNow('2026-07-20 12:00:00');
        $this->actingAs($this->people['viewer']);
        foreach (
            [
                route('shelf', $this->shelf),
                route('item', $this->item),
                route('history', $this->item),
                route('history', ['item' => $this->item, 'from' => 2, 'to' => 2, 'view' => 'was']),
                route('list', $this->item),
                route('ribbon', $this->item),
                route('read', 'opening-hours'),
                route('read.timemap', 'opening-hours'),
            ] as $path
        ) {
            $said = (string) preg_replace(
                '/(by-|glyph|viewBox|d=)[^ >]*|_token[^>]*>|"[0-9a-f]{40}"|csrf[^>]*>/',
                '',
                $this->said($this->get($path)->assertOk()),
            );
            self::assertDoesNotMatchRegularExpression('/\b43\b|\b42\b|2026-06-17|17 June|17 Jun\b/', $said, $path);
            foreach ($times as $time) {
                self::assertStringNotContainsString($time, $said, $path);
            }
        }
        self::assertSame([2], array_column($this->getJson(route('ribbon', $this->item))->json('versions'), 0));
    }

    public function test_editors_see_all_of_it(): void
    {
        $this->actingAs($this->people['editor']);
        $said = $this->said($this->get(route('shelf', $this->shelf)))
        .$this->said($this->get(route('history', [$this->item, 'from' => 2, 'to' => 4])));
        foreach (['Asked for words', 'Draft words', 'Draft title', 'Draft milestone', 'Draft link', 'Draft caption'] as $secret) {
            self::assertStringContainsString($secret, $said);
        }
    }

    public function test_a_shelf_says_who_sees_drafts(): void
    {
        $sees = fn (string $who): bool => str_contains(
            $this->said($this->actingAs($this->people[$who])->get(route('item', $this->item))),
            'Draft words',
        );
        $seen = function () use ($sees): array {
            $this->app->make('auth')->forgetGuards();

            return array_map($sees, ['viewer', 'approver', 'editor']);
        };
        self::assertSame([false, false, true], $seen());
        foreach ([[Drafts::Approvers, [false, true, true]], [Drafts::Everyone, [true, true, true]]] as [$drafts, $expected]) {
            $this->actingAs($this->people['owner'])
                ->put(route('shelf.settings', $this->shelf), ['editors_restore' => '1', 'asks' => '1', 'drafts' => $drafts->value])
                ->assertRedirect();
            self::assertSame($expected, $seen(), $drafts->value);
        }
    }

    public function test_what_was_never_published_is_not_there_for_readers(): void
    {
        $new = $this->page($this->shelf, $this->people['owner'], 'Not yet');
        $this->actingAs($this->people['viewer'])->get(route('item', $new))->assertNotFound();
        $this->actingAs($this->people['viewer'])->get(route('shelf', $this->shelf))->assertDontSee($new->key);
        $this->actingAs($this->people['editor'])->get(route('item', $new))->assertOk();
    }

    public function test_the_right_to_publish_is_given_and_taken_by_owners(): void
    {
        $membership = $this->shelf->memberships()->where('user_id', $this->people['editor']->id)->firstOrFail();
        $this->actingAs($this->people['editor'])
            ->put(route('people.update', [$this->shelf, $membership]), ['publishes' => '1'])
            ->assertForbidden();
        $this->actingAs($this->people['owner'])
            ->put(route('people.update', [$this->shelf, $membership]), ['publishes' => '1'])
            ->assertRedirect();
        self::assertTrue($membership->refresh()->publishes);
        self::assertSame(Role::Editor, $membership->role);
        $this->actingAs($this->people['owner'])
            ->put(route('people.update', [$this->shelf, $membership]), ['publishes' => '0'])
            ->assertRedirect();
        self::assertFalse($membership->refresh()->publishes);
    }

    /** @param TestResponse<Response> $response */
    private function said(TestResponse $response): string
    {
        $content = $response->baseResponse->getContent();
        $content = $content === false ? $response->streamedContent() : $content;

        return html_entity_decode($content).implode(' ', $response->headers->all('location'));
    }

    private function url(string $route): string
    {
        return match ($route) {
            'publish', 'publish.store' => route($route, [$this->item, 3]),
            'wish', 'wish.answer' => route($route, [$this->item, $this->wish]),
            'part' => route($route, [$this->item, 'b001']),
            default => route($route, $this->item),
        };
    }
}

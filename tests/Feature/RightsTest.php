<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalLink;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\ShelfReturn;
use App\Models\Thread;
use App\Models\User;
use App\Proposing\OpenLine;
use App\Talk\About;
use App\Talk\BeginThread;
use Illuminate\Support\Facades\Route;
use PHPUnit\Framework\Attributes\DataProvider;

/** Every route of a shelf and an item, for a guest, a stranger, a viewer, an editor and an owner. */
final class RightsTest extends FeatureCase
{
    private Shelf $shelf;

    private Item $item;

    /** @var array<string, User> */
    private array $people;

    protected function setUp(): void
    {
        parent::setUp();
        $this->people = [
            'owner' => $this->person('Ines Oduya'),
            'editor' => $this->person('Tobi Brandt'),
            'viewer' => $this->person('Rafi Sadek'),
            'stranger' => $this->person('Jun Castell'),
            'bystander' => $this->person('Nell Warwick'),
        ];
        $this->shelf = $this->shelf('Volunteers', [
            [$this->people['owner'], Role::Owner],
            [$this->people['editor'], Role::Editor],
            [$this->people['viewer'], Role::Viewer],
        ]);
        $this->item = $this->document($this->shelf, $this->people['owner'], 'one');
        $this->save($this->item, $this->people['editor'], $this->paragraphs('one', 'two'));
    }

    /**
     * Who is the least that may: viewer, editor or owner.
     *
     * @return array<string, array{string, string, string, array<string, mixed>}> method, route, least, data
     */
    public static function routes(): array
    {
        return [
            'a shelf' => ['get', 'shelf', 'viewer', []],
            'making an item' => ['post', 'shelf.make', 'editor', ['title' => 'New']],
            'people' => ['get', 'people', 'viewer', []],
            'inviting' => ['post', 'people.store', 'owner', ['email' => 'new@example.org', 'name' => 'New One', 'role' => 'viewer']],
            'shelf settings' => ['put', 'shelf.settings', 'owner', ['editors_restore' => '1']],
            'rights' => ['put', 'people.update', 'owner', ['role' => 'viewer']],
            'taking off' => ['delete', 'people.destroy', 'owner', []],
            'taking an invitation back' => ['delete', 'people.take-back', 'owner', []],
            'opening' => ['get', 'item', 'viewer', []],
            'renaming' => ['put', 'item.rename', 'editor', ['title' => 'Other']],
            'the foot' => ['get', 'item.foot', 'viewer', []],
            'the menu' => ['get', 'item.menu', 'viewer', []],
            'the notes' => ['get', 'item.notes', 'viewer', []],
            'the state' => ['get', 'state', 'viewer', []],
            'saving' => ['put', 'state.save', 'editor', []],
            'saving fields' => ['put', 'fields.save', 'editor', []],
            'keeping aside' => ['post', 'state.aside', 'editor', []],
            'who is here' => ['get', 'live', 'viewer', ['client' => 'w']],
            'keeping a picture' => ['post', 'picture.store', 'editor', []],
            'a picture' => ['get', 'picture', 'viewer', []],
            'a cell' => ['get', 'cell', 'viewer', []],
            'bringing a cell back' => ['post', 'cell.restore', 'editor', ['seen' => 3]],
            'what a result moved by' => ['get', 'causes', 'viewer', []],
            'lines of a table' => ['get', 'lines', 'viewer', []],
            'a file, asking' => ['get', 'item.file', 'editor', []],
            'a file' => ['post', 'item.file.store', 'editor', []],
            'a comparison to take along' => ['get', 'comparison', 'viewer', []],
            'it was meant' => ['post', 'meant', 'editor', []],
            'deleting, asking' => ['get', 'item.delete', 'editor', []],
            'deleting' => ['delete', 'item.destroy', 'editor', []],
            'moving, asking' => ['get', 'item.move', 'editor', []],
            'what is kept' => ['get', 'keeping', 'viewer', []],
            'saying what is kept' => ['post', 'keeping.say', 'owner', ['leave' => 60, 'do' => 'keep']],
            'letting versions go' => ['post', 'keeping.now', 'owner', []],
            'deleting versions' => ['delete', 'versions.delete', 'owner', ['from' => 2, 'to' => 2, 'reason' => 'x']],
            'pinning' => ['put', 'version.pin', 'editor', ['pin' => 1]],
            'Lost & found' => ['get', 'lost', 'editor', []],
            'what is kept of a shelf' => ['get', 'keeping.shelf', 'viewer', []],
            'saying what is kept of a shelf' => ['post', 'keeping.shelf.say', 'owner', ['leave' => 60, 'do' => 'keep']],
            'switching histories by kind' => ['put', 'keeping.shelf.kinds', 'owner', ['kinds' => ['document']]],
            'letting versions of a shelf go' => ['post', 'keeping.shelf.now', 'owner', []],
            'watching, asking' => ['get', 'watch', 'viewer', []],
            'watching' => ['put', 'watch.item', 'viewer', ['how' => 'all']],
            'watching a shelf' => ['put', 'watch.shelf', 'viewer', ['how' => 'all']],
            'about a shelf' => ['get', 'shelf.edit', 'viewer', []],
            'changing a shelf' => ['put', 'shelf.update', 'owner', ['name' => 'Office']],
            'ordering shelves' => ['put', 'shelf.order', 'viewer', []],
            'putting a shelf away' => ['put', 'shelf.archive', 'owner', ['away' => 0]],
            'deleting a shelf, asking' => ['get', 'shelf.delete', 'owner', []],
            'deleting a shelf' => ['delete', 'shelf.destroy', 'owner', []],
            'the shelf on a day' => ['get', 'day', 'viewer', []],
            'the ribbon of a shelf' => ['get', 'day.ribbon', 'viewer', []],
            'naming a moment' => ['post', 'day.mark', 'editor', ['at' => '2026-10-12T18:00:00Z', 'name' => 'Agreed']],
            'copying a shelf out' => ['post', 'day.copy', 'viewer', ['at' => '2026-10-12T18:00:00Z', 'name' => 'Copy']],
            'bringing several back, asking' => ['get', 'day.back', 'editor', ['at' => '2026-10-12T18:00:00Z']],
            'bringing several back' => ['post', 'day.back.store', 'editor', ['at' => '2026-10-12T18:00:00Z']],
            'taking it back' => ['delete', 'day.back.undo', 'editor', []],
            'the log' => ['get', 'log', 'owner', []],
            'the log as CSV' => ['get', 'log.csv', 'owner', []],
            'history' => ['get', 'history', 'viewer', []],
            'the list' => ['get', 'list', 'viewer', []],
            'going to a day' => ['get', 'history.at', 'viewer', ['when' => 'today']],
            'the ribbon' => ['get', 'ribbon', 'viewer', []],
            'a part' => ['get', 'part', 'viewer', []],
            'where a block goes' => ['get', 'part.where', 'editor', []],
            'bringing a part back' => ['post', 'part.restore', 'editor', ['seen' => 3]],
            'talk' => ['get', 'talk', 'viewer', []],
            'beginning to talk' => ['post', 'talk.begin', 'editor', ['text' => 'Why?']],
            'saying something' => ['post', 'talk.say', 'editor', ['deed' => 'said', 'text' => 'So.']],
            'what is proposed' => ['get', 'proposals', 'viewer', []],
            'proposing' => ['post', 'proposals.begin', 'editor', []],
            'answering what everybody proposes' => [
                'put',
                'proposals.answer-all',
                'editor',
                ['do' => 'declined', 'states' => [1 => str_repeat('0', 40)]],
            ],
            'answering what is proposed' => [
                'put',
                'proposals.answer',
                'editor',
                ['do' => 'accepted', 'seen' => 3, 'state' => str_repeat('0', 40)],
            ],
            'a link to propose' => ['post', 'proposals.link', 'owner', ['days' => 3, 'most' => 2]],
            'taking it back again' => ['delete', 'proposals.link.back', 'owner', []],
            'taking out, asking' => ['get', 'take-out', 'editor', []],
            'taking out' => ['post', 'take-out.store', 'editor', ['seen' => 3]],
            'how it will be without' => ['post', 'take-out.seen', 'editor', ['seen' => 3]],
            'a line' => ['get', 'line', 'viewer', []],
            'a miniature' => ['get', 'miniature', 'viewer', []],
            'marking' => ['put', 'milestone.mark', 'editor', ['name' => 'Agreed']],
            'unmarking' => ['delete', 'milestone.remove', 'editor', []],
            'moving a mark' => ['put', 'milestone.move', 'editor', []],
            'the plan' => ['get', 'restore', 'editor', []],
            'restoring' => ['post', 'restore.store', 'editor', ['seen' => 3]],
            'how it will be' => ['post', 'restore.seen', 'editor', ['seen' => 3]],
            'taking back' => ['post', 'restore.undo', 'editor', []],
            'copying out, asking' => ['get', 'copy', 'viewer', []],
            'copying out' => ['post', 'copy.store', 'editor', ['title' => 'Copy']],
            'downloading' => ['get', 'download', 'viewer', []],
        ];
    }

    /** @param array<string, mixed> $data */
    #[DataProvider('routes')]
    public function test_a_route_lets_in_those_who_may_and_nobody_else(string $method, string $route, string $least, array $data): void
    {
        $url = $this->url($route, $data);
        if ($route === 'copy.store') {
            $data['shelf'] = $this->shelf->key;
        }
        $ask = fn () => $this->json($method, $url, $data);
        $ask()->assertUnauthorized();
        self::assertSame(
            404,
            $this->actingAs($this->people['stranger'])->json($method, $url, $data)->baseResponse->getStatusCode(),
            'a stranger',
        );
        $ranks = ['viewer' => 0, 'editor' => 1, 'owner' => 2];
        foreach ($ranks as $who => $rank) {
            // What the one before deleted is there again.
            $this->item->refresh()->update(['deleted_at' => null]);
            $status = $this->actingAs($this->people[$who])->json($method, $url, $data)->baseResponse->getStatusCode();
            if ($rank < $ranks[$least]) {
                self::assertSame(403, $status, $who);
            } else {
                self::assertNotContains($status, [401, 403, 405, 500], $who);
            }
        }
    }

    /** What is tried in {@see LostTest}, since it takes something that was deleted, or a second shelf. */
    private const OF_LOST_THINGS = [
        'shelf.new',
        'shelf.store',
        'shelf.back',
        'shelf.ask-for-good',
        'shelf.for-good',
        'item.back',
        'item.ask-for-good',
        'item.for-good',
        'item.moved',
    ];

    public function test_no_route_of_a_shelf_or_an_item_is_left_out_above(): void
    {
        $named = array_column(self::routes(), 1);
        foreach (Route::getRoutes()->getRoutes() as $route) {
            if (str_starts_with($route->uri(), 'shelves/') || str_starts_with($route->uri(), 'items/')) {
                self::assertContains(
                    $route->getName(),
                    [
                        ...$named,
                        'held',
                        'held.settle',
                        'proposals.again',
                        'proposals.from-copy',
                        'proposals.file',
                        ...self::OF_LOST_THINGS,
                        ...array_column(PublishingRightsTest::routes(), 1),
                        ...array_column(FormsTest::routes(), 1),
                        ...array_column(DatasetsTest::routes(), 1),
                        ...array_column(ReportsTest::routes(), 1),
                        ...array_column(PlainFilesTest::routes(), 1),
                    ],
                    $route->uri(),
                );
            }
        }
    }

    public function test_a_viewer_opens_a_shelf_with_copies_on_it(): void
    {
        foreach (['One' => $this->item, 'Two' => $this->document($this->shelf, $this->people['owner'], 'other')] as $title => $item) {
            $this->actingAs($this->people['editor'])
                ->post(route('copy.store', [$item, 1]), ['title' => $title, 'shelf' => $this->shelf->key])
                ->assertRedirect();
        }
        $this->actingAs($this->people['viewer'])->get(route('shelf', $this->shelf))->assertOk()->assertSee('One')->assertSee('Two');
    }

    public function test_only_its_author_settles_a_held_edit(): void
    {
        $base = $this->item->refresh()->root;
        $this->save($this->item, $this->people['owner'], $this->paragraphs('one!', 'two'));
        $this->save($this->item, $this->people['editor'], $this->paragraphs('one?', 'two'), $base);
        $held = HeldEdit::query()->firstOrFail();
        $this->actingAs($this->people['owner'])->get(route('held', [$this->item, $held]))->assertNotFound();
        $this->actingAs($this->people['owner'])->put(route('held.settle', [$this->item, $held]), ['choice' => 'mine'])->assertNotFound();
        $this->actingAs($this->people['editor'])->get(route('held', [$this->item, $held]))->assertOk();
    }

    public function test_a_shelf_may_keep_restoring_for_its_owners(): void
    {
        $this->shelf->update(['editors_restore' => false]);
        $plan = route('restore', [$this->item, 2]);
        $this->actingAs($this->people['editor'])->get($plan)->assertForbidden()->assertSee('Only an owner');
        $this->actingAs($this->people['owner'])->get($plan)->assertOk();
        $this->actingAs($this->people['editor'])
            ->get(route('history', [$this->item, 'from' => 2, 'to' => 3]))
            ->assertOk()
            ->assertDontSee('Restore 2…');
    }

    /** @param array<string, mixed> $data */
    private function url(string $route, array $data): string
    {
        $membership = $this->shelf->memberships()->firstOrCreate(['user_id' => $this->people['bystander']->id], ['role' => Role::Viewer]);

        return match (true) {
            in_array($route, ['people.update', 'people.destroy'], true) => route($route, [$this->shelf, $membership]),
            $route === 'people.take-back' => route($route, [
                $this->shelf,
                $this->shelf
                    ->invitations()
                    ->firstOrCreate(
                        ['email' => 'new@example.org'],
                        ['user_id' => $this->people['owner']->id, 'name' => 'New', 'role' => Role::Viewer, 'expires_at' => now()->addDay()],
                    ),
            ]),
            $route === 'day.back.undo' => route($route, [
                $this->shelf,
                ShelfReturn::query()->firstOrCreate(
                    ['shelf_id' => $this->shelf->id],
                    [
                        'user_id' => $this->people['owner']->id,
                        'moment' => now(),
                        'made_at' => now(),
                        'done' => ['restored' => [], 'found' => [], 'removed' => []],
                    ],
                ),
            ]),
            str_starts_with((string) Route::getRoutes()->getByName($route)?->uri(), 'shelves/{shelf}') => route($route, $this->shelf),
            $route === 'picture' => route($route, [$this->item, str_repeat('a', 40)]),
            $route === 'talk.say' => route($route, [
                $this->item,
                Thread::query()->first()
                ?? $this->app->make(BeginThread::class)->handle($this->item, $this->people['owner'], new About, 'Why?'),
            ]),
            $route === 'proposals.answer' => route($route, [$this->item, $this->proposal()]),
            $route === 'proposals.link.back' => route($route, [
                $this->item,
                ProposalLink::query()->firstOrCreate(
                    ['item_id' => $this->item->id],
                    ['token' => str_repeat('t', 40), 'user_id' => $this->people['owner']->id, 'ends_at' => now()->addDay(), 'most' => 2],
                ),
            ]),
            $route === 'part' => route($route, [$this->item, $this->tree($this->item)->parts[0]->id]),
            in_array($route, ['part.where', 'part.restore'], true) => route($route, [
                $this->item,
                $this->tree($this->item)->parts[0]->id,
                2,
            ]),
            in_array($route, ['take-out', 'take-out.store', 'take-out.seen'], true) => route($route, [
                'item' => $this->item,
                'from' => 1,
                'to' => 3,
                'by' => $this->people['editor']->id,
            ]),
            in_array($route, ['cell', 'causes'], true) => route($route, [$this->item, 'rowa', 'cola']),
            $route === 'cell.restore' => route($route, [$this->item, 'rowa', 'cola', 2]),
            $route === 'milestone.move' => route($route, [$this->item, 2, 'before']),
            $route === 'miniature' => route($route, [$this->item, 2, str_repeat('a', 16)]),
            $route === 'comparison' => route($route, [$this->item, 1, 2, 'html']),
            $route === 'download' => route($route, [$this->item, 2, 'md']),
            in_array(
                $route,
                [
                    'line',
                    'milestone.mark',
                    'milestone.remove',
                    'restore',
                    'restore.store',
                    'restore.seen',
                    'restore.undo',
                    'copy',
                    'copy.store',
                    'meant',
                    'version.pin',
                ],
                true,
            )
                => route($route, [$this->item, 2]),
            default => route($route, $this->item),
        };
    }

    private function proposal(): Proposal
    {
        $this->app->make(OpenLine::class)->handle($this->item, $this->people['owner']);

        return Proposal::query()->firstOrFail();
    }
}

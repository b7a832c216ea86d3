<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Item;
use App\Models\Presence;
use App\Models\Role;
use App\Models\User;
use App\Models\Version;
use App\Store\HandedRoots;
use App\Store\States;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Date;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Store\ChunkStore;
use PHPUnit\Framework\Attributes\Group;
use Symfony\Component\Process\Exception\ProcessSignaledException;

/** What a growing version leaves behind goes when nobody is on it any more, whatever happens meanwhile. */
#[Group('long')]
final class GivingBackTest extends FeatureCase
{
    /** @var list<User> */
    private array $people;

    private Item $item;

    protected function setUp(): void
    {
        parent::setUp();
        $this->people = array_map($this->person(...), ['Ines Oduya', 'Tobi Brandt', 'Nell Warwick']);
        $this->item = $this->document(
            $this->shelf('Volunteers', array_map(fn (User $user) => [$user, Role::Owner], $this->people)),
            $this->people[0],
            ...array_map(fn (int $at) => "Paragraph {$at} of a document that is long enough to have several nodes.", range(1, 90)),
        );
    }

    /** Some minutes of typing, as windows send it; each says where it is. */
    private function type(int $savings): void
    {
        for ($at = 0; $at < $savings; $at++) {
            Date::setTestNow(Date::now()->addSeconds(2));
            $who = $this->people[intdiv($at, 40) % 3];
            $parts = app(States::class)->tree($this->item->refresh()->root)->parts;
            $place = 10 + 7 * (intdiv($at, 40) % 3);
            $parts[$place] = $parts[$place]->with(
                'text',
                RichText::plain(mb_substr($parts[$place]->richText()->text(), -200)." word{$at}"),
            );
            $this->actingAs($who)
                ->putJson(route('state.save', $this->item), [
                    'base' => $this->item->root,
                    'client' => "w{$who->id}.{$at}",
                    'content' => array_map(
                        fn (Part $part) => [$part->id, $part->role, $part->depth, ['text' => $part->richText()->toJson()]],
                        $parts,
                    ),
                ])
                ->assertOk();
            $this->getJson(route('live', [$this->item, 'client' => "w{$who->id}", 'root' => $this->item->refresh()->root]))->assertOk();
        }
    }

    private function bytes(): int
    {
        return (int) DB::table('chunks')->sum(DB::raw('length(data)'));
    }

    public function test_typing_costs_at_most_twice_what_its_versions_do(): void
    {
        $before = $this->bytes();
        $versions = $this->item->head;
        $this->type(300);
        self::assertLessThan(30, $this->item->head - $versions);
        [$typed, $stood] = [$this->bytes() - $before, DB::table('handed_roots')->count()];
        self::assertGreaterThan(200, $stood);
        // Nothing is old enough yet: what was sent within two hours stays, and every chunk for a day.
        Artisan::call('attic:tidy');
        self::assertSame([$typed, $stood], [$this->bytes() - $before, DB::table('handed_roots')->count()]);
        Date::setTestNow(Date::now()->addHours(3));
        Artisan::call('attic:tidy');
        self::assertLessThan(10, DB::table('handed_roots')->count());
        self::assertSame($typed, $this->bytes() - $before);
        Date::setTestNow(Date::now()->addHours(25));
        Artisan::call('attic:tidy');
        $left = $this->bytes() - $before;
        self::assertLessThan($typed / 4, $left);
        self::assertLessThanOrEqual(2 * $this->alone(), $left);
        self::assertSame(0, (int) DB::select('PRAGMA freelist_count')[0]->freelist_count);
        $this->assertVerified();
        // Whoever stood somewhere when they were last heard of is still there.
        foreach (Presence::query()->get() as $presence) {
            self::assertTrue(app(HandedRoots::class)->has($this->item, (string) $presence->base));
        }
    }

    /** What the versions alone take, in a store of their own. */
    private function alone(): int
    {
        $roots = Version::query()
            ->where('item_id', $this->item->id)
            ->orderBy('number')
            ->pluck('root')
            ->map(fn (string $root) => app(States::class)->tree($root))
            ->all();
        DB::beginTransaction();
        DB::table('chunks')->orderByDesc('id')->delete();
        $at = null;
        foreach ($roots as $number => $tree) {
            $at = app(States::class)->keep($tree, $at);
            $number === 1 && $start = $this->bytes();
        }
        $bytes = $this->bytes() - ($start ?? 0);
        DB::rollBack();

        return $bytes;
    }

    public function test_a_chunk_that_is_wanted_again_while_it_is_swept_stays(): void
    {
        $this->type(60);
        Date::setTestNow(Date::now()->addHours(3));
        $idle = app(States::class)->tree((string) DB::table('handed_roots')->orderBy('at')->value('root'));
        // Somebody saves the very state again, after it was looked at what is needed and before anything goes.
        $store = $this->app->make(ChunkStore::class);
        $this->app->instance(
            ChunkStore::class,
            new class ($store, fn () => $this->save($this->item, $this->people[0], $idle)) implements ChunkStore {
                public function __construct(private readonly ChunkStore $store, private ?\Closure $once) {}

                public function read(array $addresses): array
                {
                    if (DB::table('handed_roots')->count() < 10 && $this->once !== null) {
                        [$once, $this->once] = [$this->once, null];
                        app()->instance(ChunkStore::class, $this->store);
                        $once();
                    }

                    return $this->store->read($addresses);
                }

                public function missing(array $addresses): array
                {
                    return $this->store->missing($addresses);
                }

                public function write(array $chunks, array $like = []): void
                {
                    $this->store->write($chunks, $like);
                }
            }
        );
        Artisan::call('attic:tidy', ['--at-once' => true]);
        $this->app->instance(ChunkStore::class, $store);
        self::assertTrue(app(States::class)->tree($this->item->refresh()->root)->equals($idle));
        $this->assertVerified();
    }

    public function test_who_is_killed_while_giving_back_leaves_a_place_that_is_whole(): void
    {
        $this->type(90);
        DB::table('handed_roots')->delete();
        DB::table('sendings')->delete();
        Date::setTestNow();
        $saver = $this->process(__DIR__.'/saver.php', (string) $this->item->id, (string) $this->people[1]->id, '120');
        $first = $this->process(__DIR__.'/killed.php', '0', 'attic:tidy', '--at-once');
        $first->wait();
        $queries = (int) $first->getOutput();
        for ($i = $killed = 0; $i < 12; $i++) {
            $sweeper = $this->process(__DIR__.'/killed.php', (string) random_int(1, $queries), 'attic:tidy', '--at-once');
            try {
                $sweeper->wait();
                $queries = (int) $sweeper->getOutput();
            } catch (ProcessSignaledException) {
                $killed++;
            }
        }

        self::assertGreaterThan(2, $killed);
        $saver->wait();
        self::assertSame(str_repeat('.', 120), $saver->getOutput(), $saver->getErrorOutput());
        $this->process('artisan', 'attic:tidy', '--at-once')->wait();
        $this->assertVerified();
        $this->save($this->item->refresh(), $this->people[0], PartTree::of(app(States::class)->tree($this->item->root)->parts));
    }
}

<?php

declare(strict_types=1);

namespace Tests\World;

use App\Models\Item;
use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\Version;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Routing\Route as Way;
use Illuminate\Support\Facades\Route;
use MistyAttic\Core\Kinds\Kinds;

/** Somebody tries every address that there is: what they must not see is in none of the answers, and none is an error of the server. */
final readonly class Doors
{
    public function __construct(private World $world, private TestCase $http) {}

    /**
     * Who is on no shelf, or on none any more, meets nothing.
     *
     * @param  bool  $signedIn  as somebody; else nobody is
     */
    public function closed(string $who, Item $item, Chance $chance, bool $signedIn): void
    {
        $this->tried($who, $item, $chance, $signedIn, $this->read());
    }

    /** A viewer meets what is not published only of kinds that are not published at all, and no entry. */
    public function viewer(string $who, Item $item, Chance $chance): void
    {
        $allowed = $this->read() + $this->world->followed();
        foreach ($this->world->items as $other) {
            if (! Kinds::named($other->kind)->isPublishable()) {
                foreach (
                    Version::query()
                        ->whereIn('item_id', [$other->id, ...$other->lines()->pluck('items.id')->all()])
                        ->pluck('root') as $root
                ) {
                    $allowed += Ledger::tags($this->world->states->tree((string) $root));
                }
            }
        }
        foreach (
            Publishing::query()
                ->with('version')
                ->whereIn('state', [PublishingState::Published, PublishingState::Withdrawn])
                ->whereNotNull('count')
                ->get() as $publishing
        ) {
            $allowed += Ledger::tags($this->world->states->tree($publishing->version->root));
        }
        $this->tried($who, $item, $chance, true, $allowed, allTags: true);
        $this->findsWhatIsLive($who, $chance);
    }

    /** What a viewer may read is found by them. */
    private function findsWhatIsLive(string $who, Chance $chance): void
    {
        $live = Publishing::query()
            ->with('version', 'item')
            ->where('state', PublishingState::Published)
            ->whereNull('ended_at')
            ->whereIn('item_id', array_map(fn (Item $item) => $item->id, array_values($this->world->items)))
            ->orderBy('id')
            ->get()
            ->filter(fn (Publishing $publishing) => $publishing->item->isStanding() && $publishing->item->is_read)
            ->values()
            ->all();
        $of = $live === [] ? null : $chance->of($live);
        $tags = $of === null
            ? []
            : array_values(
                array_filter(
                    array_map(strval(...), array_keys(Ledger::tags($this->world->states->tree($of->version->root)))),
                    fn (string $tag) => $tag[0] !== '#',
                ),
            );
        if ($of === null || $tags === [] || ! $this->world->isViewer($who)) {
            return;
        }
        $tag = $chance->of($tags);
        str_contains((string) $this->world->as($who)->get(route('find', ['q' => $tag]))->getContent(), 'live now')
            || throw Broken::law('Readers find what is live', "{$who} did not find {$tag} in the {$of->item->kind}");
    }

    /** @return array<string, true> what everybody who has the address may read */
    private function read(): array
    {
        $tags = [];
        foreach (Publishing::query()->with('version', 'item')->whereNotNull('count')->get() as $publishing) {
            $tags += $publishing->item->address !== null ? Ledger::tags($this->world->states->tree($publishing->version->root)) : [];
        }

        return $tags;
    }

    /** @param array<string, true> $allowed */
    private function tried(string $who, Item $item, Chance $chance, bool $signedIn, array $allowed, bool $allTags = false): void
    {
        foreach (Route::getRoutes()->getRoutes() as $way) {
            if (
                ! in_array('GET', $way->methods(), true)
                || ! str_starts_with((string) $way->getActionName(), 'App\\')
                || ($allTags && $chance->under(3) > 0)
            ) {
                continue;
            }
            $signedIn ? $this->world->as($who) : auth()->forgetGuards();
            $at = $this->address($way, $item, $chance);
            $answer = $this->http->get($at);
            $answer->getStatusCode() < 500
                || throw Broken::law(
                    'No answer is an error of the server',
                    "{$who} at {$at}: {$answer->getStatusCode()} {$answer->exception?->getMessage()} at {$answer->exception?->getFile()}:{$answer->exception?->getLine()}",
                );
            // What somebody typed and waits is theirs to see.
            $seen = array_filter(
                array_diff_key(Ledger::tagsOf((string) $answer->getContent()), $allowed),
                fn (string $tag) => ! $allTags || Ledger::author($tag) !== $who,
                ARRAY_FILTER_USE_KEY,
            );
            $seen === []
                || throw Broken::law('Nobody sees what is not theirs to see', "{$who} met ".implode(', ', array_keys($seen))." at {$at}");
        }
        $this->finding($who, $item, $chance, $signedIn, $allowed, $allTags);
        auth()->forgetGuards();
    }

    /**
     * A word of somebody else's that is looked for is not found.
     *
     * @param  array<string, true>  $allowed
     */
    private function finding(string $who, Item $item, Chance $chance, bool $signedIn, array $allowed, bool $allTags): void
    {
        $tags = array_filter(
            array_map(strval(...), array_keys(array_diff_key(Ledger::tags($this->world->states->tree($item->root)), $allowed))),
            fn (string $tag) => $tag[0] !== '#' && (! $allTags || Ledger::author($tag) !== $who),
        );
        if (! $signedIn || $tags === []) {
            return;
        }
        $tag = $chance->of(array_values($tags));
        $page = (string) $this->world->as($who)->get(route('find', ['q' => $tag]))->getContent();
        str_contains($page, 'No version of what you may see holds that.')
            || throw Broken::law('Nobody sees what is not theirs to see', "{$who} found {$tag}");
    }

    private function address(Way $way, Item $item, Chance $chance): string
    {
        $parts = $this->world->states->tree($item->root)->parts;

        return '/'
            .preg_replace_callback(
                '/\{(\w+)\??\}/',
                fn (array $found): string => match ($found[1]) {
                    'item' => $item->key,
                    'shelf' => $item->loadMissing('shelf')->shelf->key,
                    'number', 'to' => (string) (1 + $chance->under($item->head)),
                    'format' => $chance->of(['html', 'json', 'csv', 'md']),
                    'part', 'row', 'record', 'field' => $parts === [] ? 'none' : $chance->of($parts)->id,
                    'column' => 'cfig1',
                    'address' => 'form-of-the-world',
                    'chunk' => str_repeat('a', 40),
                    'root' => str_repeat('a', 16),
                    'way' => 'before',
                    'stamp' => '20260601000000',
                    'token' => str_repeat('t', 40),
                    default => '1',
                },
                $way->uri(),
            );
    }
}

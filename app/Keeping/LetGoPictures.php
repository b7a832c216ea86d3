<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Picture;
use App\Models\Version;
use App\Store\HandedRoots;
use App\Store\States;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Kinds\Kinds;

/**
 * Lets pictures and files go that only versions showed which are gone. What none of these showed was sent with answers, or put in at a desk
 * that has not saved it yet.
 */
final readonly class LetGoPictures
{
    public function __construct(private States $states) {}

    /** @param list<string> $went  roots of the versions that are gone */
    public function handle(Item $item, array $went): void
    {
        $idle = $item->pictures()->where('is_published', false)->get()->keyBy('chunk')->all();
        $shown = fn (): array => array_merge([], ...array_map(fn (string $root): array => $this->shownIn($item, $root), $went));
        if ($idle !== [] && $item->isAnswered()) {
            // Files of answers are in no version of their form.
            $idle = array_intersect_key($idle, $shown());
        }
        foreach ($idle === [] ? [] : $this->states($item) as $root) {
            $idle = array_diff_key($idle, $this->shownIn($item, $root));
            if ($idle === []) {
                return;
            }
        }
        $idle = $idle === [] ? [] : array_diff_key($idle, $this->waiting($item));
        if ($idle === []) {
            return;
        }
        // A window that put one in may be saved as long as one that is on a state.
        [$shown, $until] = [$shown(), now()->subDays(HandedRoots::DAYS)];
        $isGone = fn (Picture $picture): bool => isset($shown[$picture->chunk]) && ! $picture->wasPutInAgain();
        $goes = array_filter($idle, fn (Picture $picture): bool => $picture->updated_at < $until || $isGone($picture));
        $item->pictures()->whereIn('chunk', array_map(strval(...), array_keys($goes)))->delete();
    }

    /** @return array<string, int> the chunks that a state shows, as keys */
    private function shownIn(Item $item, string $root): array
    {
        return array_flip(Kinds::chunks(Kinds::named($item->kind), $this->states->tree($root)));
    }

    /**
     * The states that stay: versions, the newest first, and what windows are still on, edits that wait, and what is or was proposed.
     *
     * @return iterable<string> roots
     */
    private function states(Item $item): iterable
    {
        yield from Version::query()->where('item_id', $item->id)->orderByDesc('number')->pluck('root')->unique();
        $lines = $item->lines()->getQuery()->select('items.id');
        $resting = array_map(
            fn (string $table): array => DB::table($table)
                ->where(fn ($of) => $of->where('item_id', $item->id)->orWhereIn('item_id', $lines))
                ->pluck('root')
                ->all(),
            ['handed_roots', 'held_edits', 'proposals'],
        );
        yield from array_unique(array_merge(...$resting, ...[Version::query()->whereIn('item_id', $lines)->pluck('root')->all()]));
    }

    /** @return array<string, int> the chunks that edits show which are held back, as keys */
    private function waiting(Item $item): array
    {
        $lines = $item->lines()->getQuery()->select('items.id');
        $held = HeldEdit::query()
            ->whereNull('settled_at')
            ->where(fn (Builder $of) => $of->where('item_id', $item->id)->orWhereIn('item_id', $lines))
            ->get();
        $parts = array_merge([], ...$held->map(fn (HeldEdit $edit): array => $edit->meeting()->mine)->all());

        return array_flip(array_merge([], ...array_map(Kinds::named($item->kind)->chunksOf(...), $parts)));
    }
}

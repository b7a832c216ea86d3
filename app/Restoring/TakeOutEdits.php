<?php

declare(strict_types=1);

namespace App\Restoring;

use App\Models\Cause;
use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Saving\Made;
use App\Saving\WorkAhead;
use App\Saving\WriteVersion;
use App\Saving\Written;
use App\Store\Chunks\ChunksAhead;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Merge\Conflict;
use MistyAttic\Core\Merge\Merged;
use MistyAttic\Core\Merge\TakeOut;

/** Takes the versions that somebody wrote in a range out of the newest state, and keeps what came after. */
final readonly class TakeOutEdits
{
    /** Runs of versions; each is a merge of its own. */
    public const MOST_RUNS = 100;

    public function __construct(private States $states, private WriteVersion $write, private WorkAhead $ahead) {}

    /**
     * What it would give; the conflicts are what stays, since later work rests on it.
     *
     * @return Merged|null null when there are more runs than can be taken out at once
     */
    public function rehearse(Item $item, SomebodysEdits $edits): ?Merged
    {
        $runs = TakeOut::runs($this->befores($item, $edits));
        if (count($runs) > self::MOST_RUNS) {
            return null;
        }
        $roots = Version::query()->where('item_id', $item->id)->whereIn('number', array_merge([], ...$runs))->pluck('root', 'number');
        $kind = Kinds::named($item->kind);
        $bare = fn (string $root): PartTree => Consequences::withoutResults($kind, $this->states->tree($root));
        $pairs = [];
        foreach ($runs as [$before, $last]) {
            $pairs[] = [$bare((string) $roots[$before]), $bare((string) $roots[$last])];
        }
        $now = $bare($item->root);
        $without = TakeOut::of($now, $pairs, $kind->repair(...));
        if ($edits->below !== null) {
            $without = $this->below($without, $now, $edits->below);
        }

        return new Merged(
            Consequences::of($kind, $this->states->tree($item->root), $without->tree, now()->format('Y-m-d')),
            $without->conflicts,
        );
    }

    private function below(Merged $without, PartTree $now, string $part): Merged
    {
        $hangs = function (PartTree $tree, string $id) use ($part): bool {
            while ($id !== $part && $id !== PartTree::ROOT) {
                $id = $tree->parent($id);
            }

            return $id === $part;
        };
        $changes = TreeCompare::of($now, $without->tree);
        $wanted = array_filter($changes->changes, fn (Change $change) => $hangs($now, $change->id) || $hangs($without->tree, $change->id));

        return new Merged(
            $changes->pick($now, array_values(array_map(fn (Change $change) => $change->key(), $wanted)))->changes->apply($now)->orFail(),
            array_values(
                array_filter(
                    $without->conflicts,
                    fn (Conflict $conflict) => $hangs($now, $conflict->id) || $hangs($without->tree, $conflict->id),
                ),
            ),
        );
    }

    /** @return list<int> the versions in question, ascending; the first one of all, which made the item, is never among them */
    public function numbers(Item $item, SomebodysEdits $edits): array
    {
        return array_keys($this->befores($item, $edits));
    }

    /** @return array<int, mixed> numbers of versions that are gone, of others */
    private static function goneOfOthers(Item $item, SomebodysEdits $edits): array
    {
        return DB::table('gone_versions')
            ->where('item_id', $item->id)
            ->where('user_id', '!=', $edits->author->id)
            ->where('number', '<=', $edits->to)
            ->pluck('number')
            ->flip()
            ->all();
    }

    /** @return array<int, mixed> numbers of versions that several wrote while no history was kept */
    private static function ofSeveral(Item $item, int $to): array
    {
        return Version::query()
            ->where(['item_id' => $item->id, 'unkept' => true])
            ->where('number', '<=', $to)
            ->get(['number', 'facts'])
            ->filter(fn (Version $version) => count($version->facts['by'] ?? []) > 1)
            ->pluck('number')
            ->flip()
            ->all();
    }

    /**
     * The versions in question with the one that is kept before each. Where others' versions between the two are no longer kept, or one
     * version takes in what several wrote while no history was kept, taking it out would take out what they wrote, too: it is none of them.
     *
     * @return array<int, int>
     */
    private function befores(Item $item, SomebodysEdits $edits): array
    {
        [$from, $to, $author] = [$edits->from, $edits->to, $edits->author];
        [$others, $shared] = [self::goneOfOthers($item, $edits), self::ofSeveral($item, $to)];
        $befores = [];
        $before = 0;
        foreach (
            Version::query()
                ->where('item_id', $item->id)
                ->where('number', '<=', $to)
                ->orderBy('number')
                ->toBase()
                ->get(['number', 'user_id']) as $row
        ) {
            $number = (int) $row->number;
            if (
                $before > 0
                && $number > $from
                && (int) $row->user_id === $author->id
                && ! isset($shared[$number])
                && ($others === [] || array_filter(range($before + 1, $number), fn (int $gone) => isset($others[$gone])) === [])
            ) {
                $befores[$number] = $before;
            }
            $before = $number;
        }

        return $befores;
    }

    /** How many of somebody's versions in the range can't be taken out, since they or those around them are no longer kept. */
    public function mixed(Item $item, SomebodysEdits $edits): int
    {
        $within = fn (string $table) => DB::table($table)
            ->where(['item_id' => $item->id, 'user_id' => $edits->author->id])
            ->where('number', '>', max(1, $edits->from))
            ->where('number', '<=', $edits->to)
            ->pluck('number')
            ->all();
        $told = [];
        foreach ($this->befores($item, $edits) as $number => $before) {
            $told += array_fill_keys(range($before + 1, $number), true);
        }

        return count(
            array_filter([...$within('versions'), ...$within('gone_versions')], fn (mixed $number) => ! isset($told[(int) $number])),
        );
    }

    /**
     * @param  int  $seen  the number that was newest when the plan was shown
     * @param  list<string>|null  $picked  keys of the changes back that are wanted; null for all
     * @return Version|null null when something was saved since, or when nothing would change
     */
    public function handle(Item $item, SomebodysEdits $edits, User $editor, int $seen, ?array $picked = null): ?Version
    {
        $work = function (ChunksAhead $chunks) use ($item, $edits, $editor, $seen, $picked): ?Made {
            $after = $item->head === $seen ? $this->after($item, $edits, $picked) : null;
            if ($after === null) {
                return null;
            }
            $states = new States($chunks);
            $root = $states->keep($after, $item->root);
            $written = new Written(
                $this->states->tree($item->root),
                $after,
                $root,
                Cause::TookOut,
                of: $edits->author->name,
                author: $edits->author->id,
                range: [$edits->from, $edits->to],
            );

            return $root === $item->root ? null : new Made($chunks, $written, $this->write->ahead($states, $item, $editor, $written));
        };

        return $this->ahead->handle(
            $item,
            $work,
            fn (Made $made): Version => $this->write->handle($item, $editor, $made->written, $made->compared),
        );
    }

    /**
     * What the item would become, before it does.
     *
     * @param  States  $states  that keep it
     * @param  list<string>|null  $picked  keys of the changes back that are wanted; null for all
     * @return Version|null that is not there; null when there are more runs than can be taken out at once
     */
    public function becomes(States $states, Item $item, SomebodysEdits $edits, User $editor, ?array $picked): ?Version
    {
        $after = $this->after($item, $edits, $picked);

        return $after === null ? null : Version::toCome($item, $states->keep($after, $item->root), $item->title, $editor);
    }

    /** @param list<string>|null $picked */
    private function after(Item $item, SomebodysEdits $edits, ?array $picked): ?PartTree
    {
        $without = $this->rehearse($item, $edits)?->tree;
        if ($without === null || $picked === null) {
            return $without;
        }
        $now = $this->states->tree($item->root);
        $some = TreeCompare::of($without, $now)->invert()->pick($now, $picked)->changes->apply($now)->orFail();

        return Consequences::of(Kinds::named($item->kind), $now, $some, now()->format('Y-m-d'));
    }
}

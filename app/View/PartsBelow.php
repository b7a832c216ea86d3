<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\Version;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;

/** What stood below a part at any time, such as the choices of a question: what changed it changed the part's content. */
final readonly class PartsBelow
{
    /** The newest versions that are looked into for what was taken away from below it. */
    private const MOST_READ = 150;

    public function __construct(private States $states) {}

    /**
     * @param  array<int, int|null>  $stood  version => position of the part as the version left it, null where it is gone; ascending, all
     *     that touched it
     * @return list<string> ids; none for a part that never held any when it was touched
     */
    public function of(Item $item, string $part, array $stood): array
    {
        $last = $this->last($item, $part, $stood);
        if ($last === null) {
            return [];
        }
        $below = array_flip(self::ids($last, $part));
        if ($below === [] && ! $this->held($item, $stood)) {
            return [];
        }
        $gone = DB::table('touches')
            ->where('item_id', $item->id)
            ->where('number', '>', (int) array_key_first($stood))
            ->whereRaw('what & ? != 0', [ChangeType::Removed->bit() | ChangeType::Moved->bit()])
            ->where('part', '!=', $part)
            ->orderByDesc('number')
            ->get(['number', 'part'])
            ->reject(fn (object $touch) => isset($below[$touch->part]))
            ->groupBy('number')
            ->take(self::MOST_READ);
        $roots = Version::query()
            ->where('item_id', $item->id)
            ->whereIn('number', $gone->keys()->map(fn (int $number) => $number - 1))
            ->pluck('root', 'number');
        foreach ($gone as $number => $touches) {
            $before = $roots->get($number - 1) ?? $item->rootBefore((int) $number);
            $tree = is_string($before) ? $this->states->tree($before) : null;
            if ($tree?->has($part) === true) {
                $below += array_intersect_key(array_flip(self::ids($tree, $part)), $touches->pluck('part')->flip()->all());
            }
        }

        return array_map(strval(...), array_keys($below));
    }

    /** @return list<string> */
    private static function ids(PartTree $tree, string $part): array
    {
        return array_map(fn (Part $each) => $each->id, array_slice($tree->subtree($part), 1));
    }

    /**
     * The newest state that has it.
     *
     * @param  array<int, int|null>  $stood
     */
    private function last(Item $item, string $part, array $stood): ?PartTree
    {
        $tree = $this->states->tree($item->root);
        if ($tree->has($part)) {
            return $tree;
        }
        $root = $item->rootBefore((int) array_key_last($stood));
        $tree = is_string($root) ? $this->states->tree($root) : null;

        return $tree?->has($part) === true ? $tree : null;
    }

    /**
     * Whether anything stood below it in one of the states that touched it.
     *
     * @param  array<int, int|null>  $stood
     */
    private function held(Item $item, array $stood): bool
    {
        foreach (
            Version::query()
                ->where('item_id', $item->id)
                ->whereIn('number', array_keys(array_filter($stood, fn (?int $at) => $at !== null)))
                ->pluck('root', 'number') as $number => $root
        ) {
            $two = $this->states->window((string) $root, (int) $stood[$number], 2);
            if (count($two) === 2 && $two[1]->depth > $two[0]->depth) {
                return true;
            }
        }

        return false;
    }
}

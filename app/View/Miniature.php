<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Miniature\Canvas;
use MistyAttic\Core\Miniature\Sample;

/**
 * A state from afar, as a small picture in which what changed has the colour of who changed it. A large state is looked at here and there,
 * whatever its size.
 */
final readonly class Miniature
{
    /** Parts of a state that is read whole. */
    private const WHOLE = 600;

    /** Of a larger one: parts at the beginning, places spread over it, and changed parts. */
    private const BEGINNING = 120;

    private const SPREAD = 16;

    private const CHANGED = 24;

    public function __construct(private States $states) {}

    /** Where it is: under the root, so that it never changes, and for one person, since what is seen of data depends on who looks. */
    public static function address(Item $item, Version $version, User $person): string
    {
        return route('miniature', [$item, $version->number, substr($version->root, 0, 16), 'for' => $person->id], false);
    }

    /** @return string SVG, at most {@see Canvas::MOST} bytes */
    public function of(Item $item, Version $version, User $person): string
    {
        $canvas = new Canvas;
        $item
            ->kind()
            ->drawing()
            ->draw($item->room(Past::class)->fromAfar($item, $version, $person, $this->sample($item, $version)), $canvas);

        return $canvas->svg();
    }

    private function sample(Item $item, Version $version): Sample
    {
        $touched = $this->touched($item, $version);
        $count = $this->states->count($version->root);
        $parts = $count <= self::WHOLE
            ? $this->states->tree($version->root)->parts
            : $this->some($item, $version->root, $count, array_values(array_filter(array_column($touched, 'position'), is_int(...))));

        return new Sample($version->title, $parts, $count, array_map(fn (object $touch) => (int) $touch->colour, $touched));
    }

    /**
     * @return array<string, object{position: int|null, colour: int}> what a version changed; of a first version nothing stands out, and
     *     readers are not told who wrote
     */
    private function touched(Item $item, Version $version): array
    {
        if ($item->sight !== null || $version->number === 1) {
            return [];
        }

        /** @var array<string, object{position: int|null, colour: int}> */
        return DB::table('touches')
            ->join('users', 'users.id', '=', 'touches.user_id')
            ->where(['item_id' => $item->id, 'number' => $version->number])
            ->orderBy('part')
            ->limit(self::WHOLE)
            ->get(['part', 'position', 'colour'])
            ->keyBy('part')
            ->all();
    }

    /**
     * @param  list<int>  $changed  positions
     * @return list<Part> in order
     */
    private function some(Item $item, string $root, int $count, array $changed): array
    {
        $grid = $item->kind()->grid();
        $tabs = $grid === null || $grid->isOneTable ? [] : $this->states->tops($root);
        $spread = array_map(fn (int $at) => intdiv($at * $count, self::SPREAD), range(1, self::SPREAD - 1));
        $places = array_filter(
            [...array_slice($changed, 0, self::CHANGED), ...$spread],
            fn (int $at) => $at >= self::BEGINNING && $at < $count,
        );
        // The columns of the tab in which something changed are where it begins.
        $before = array_filter(array_keys($tabs), fn (int $at) => $changed !== [] && $at <= $changed[0]);
        $start = $before === [] ? 0 : max($before);
        $parts = $this->states->window($root, 0, self::BEGINNING) + $tabs;
        foreach ($start < self::BEGINNING ? [] : $this->states->window($root, $start, self::BEGINNING) as $at => $part) {
            $parts[$start + $at] = $part;
        }
        $places = array_values(array_diff(array_unique($places), array_keys($parts)));
        foreach ($this->states->partsAt(array_map(fn (int $at) => [$root, $at], $places), $this->states->nodes()) as $at => $part) {
            $part === null || $parts[$places[$at]] = $part;
        }
        ksort($parts);

        return array_values($parts);
    }
}

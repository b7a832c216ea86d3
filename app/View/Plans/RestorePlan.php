<?php

declare(strict_types=1);

namespace App\View\Plans;

use App\View\ChangeLine;
use App\View\Comparison;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Telling\Totals;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kind;

/** What restoring an earlier version does to the newest one, before it happens. */
final readonly class RestorePlan
{
    /** How many versions fit in one line. */
    private const DOTS = 28;

    /** @var array<int, ChangeLine> in the earlier version, and missing or other now; by their position in the comparison */
    public array $comesBack;

    /** @var array<int, ChangeLine> made since */
    public array $goesAway;

    /** @var array<int, ChangeLine> those for which somebody came; empty when it is all of them */
    public array $sought;

    /** @var array<string, int> noun => how many parts are the same in both */
    public array $stays;

    /** @var list<Totals> of columns of numbers, now (old) and when all has come back (new) */
    public array $totals;

    /**
     * @param  Comparison  $since  from the version to be restored to the newest one
     * @param  list<int>  $kept  those of {@see around} that are kept
     * @param  list<string>  $of  the parts, or cells, of which alone the lines are ticked at first; none for all
     * @param  bool  $isChosen  whether somebody chose them, so that nothing else is ticked if they are the same
     */
    public function __construct(public Comparison $since, Kind $kind, private array $kept, array $of = [], private bool $isChosen = false)
    {
        $back = $away = [];
        foreach ($since->entries as $at => $entry) {
            $type = $entry->statement->type;
            if ($entry->statement->isConsequence()) {
                continue;
            }
            $madeSince = $type === ChangeType::Added
            || ($type === ChangeType::Edited && $entry->statement->removed === 0 && $entry->statement->added > 0);
            if ($madeSince) {
                $away[$at] = $entry;
            } else {
                $back[$at] = $entry;
            }
        }
        $touched = $since->changes->touched();
        $stays = [];
        foreach ($since->new->parts as $part) {
            if (! isset($touched[$part->id]) && $this->counts($part, $kind)) {
                $noun = $kind->noun($part);
                $stays[$noun] = ($stays[$noun] ?? 0) + 1;
            }
        }
        arsort($stays);
        $grid = $kind->grid();
        $this->totals = $grid === null ? [] : Totals::of($kind, $grid, $since->new, $since->old);
        // What no line is about is no reason to tick none.
        $of = $isChosen ? self::withAbove($of, $since->old, $since->new) : $of;
        $this->sought = array_filter($back + $away, fn (ChangeLine $line): bool => array_filter($of, $line->concerns(...)) !== []);
        $first = fn (array $lines): array => array_intersect_key($lines, $this->sought) + $lines;
        [$this->comesBack, $this->goesAway, $this->stays] = [$first($back), $first($away), $stays];
    }

    /** Whether a line is ticked at first. */
    public function ticks(int $at): bool
    {
        return ($this->sought === [] && ! $this->isChosen) || isset($this->sought[$at]);
    }

    /** Whether what was chosen is the same now, so that nothing of it can come back. */
    public function isTheSame(): bool
    {
        return $this->isChosen && $this->sought === [];
    }

    /**
     * What is in something that went as a whole comes back with it.
     *
     * @param  list<string>  $of
     * @return list<string>
     */
    private static function withAbove(array $of, PartTree $then, PartTree $now): array
    {
        $all = $of;
        foreach ($of as $id) {
            $tree = $then->has(explode('/', $id)[0]) ? $then : $now;
            for ($above = explode('/', $id)[0]; $above !== PartTree::ROOT && $tree->has($above); $above = $tree->parent($above)) {
                // A row is more than the cell of it that was chosen, unless all of it went.
                if ($above === $id || ! $now->has($above)) {
                    $all[] = $above;
                }
            }
        }

        return array_values(array_unique($all));
    }

    /** How many lines there are to tick. */
    public function count(): int
    {
        return count($this->comesBack) + count($this->goesAway);
    }

    /** @return list<int> the versions around both ends, for drawing: all of them when they fit, else those at the ends */
    public static function around(int $from, int $head): array
    {
        return $head <= self::DOTS ? range(1, $head) : array_values(array_unique(array_filter(
            [1, 2, ...range($from - 3, $from + 5), ...range($head - 12, $head)],
            fn (int $number) => $number >= 1 && $number <= $head,
        )));
    }

    /**
     * The versions around both ends.
     *
     * @return array{dots: list<array{x: int, label: string, class: string}>, arc: array{from: int, to: int}}
     */
    public function line(): array
    {
        $from = $this->since->from->number;
        $head = $this->since->to->number;
        $numbers = $this->kept;
        sort($numbers);
        $gap = intdiv(1120, max(1, count($numbers)));
        $dots = [];
        $arc = ['from' => 0, 'to' => 40 + count($numbers) * $gap];
        foreach ($numbers as $at => $number) {
            $x = 40 + $at * $gap;
            $skips = $at > 0 && $numbers[$at - 1] !== $number - 1;
            $dots[] = ['x' => $x, 'label' => ($skips ? '… ' : '').$number, 'class' => $number <= $from ? 'dot' : 'dot is-after'];
            $arc['from'] = $number === $from ? $x : $arc['from'];
        }
        $dots[] = ['x' => $arc['to'], 'label' => (string) ($head + 1), 'class' => 'dot is-new'];

        return ['dots' => $dots, 'arc' => $arc];
    }

    /** Rows and cells of a document are counted with their table; what is empty not at all. */
    private function counts(Part $part, Kind $kind): bool
    {
        if ($part->role === $kind->grid()?->row) {
            return $part->fields !== [];
        }

        return ! in_array($part->role, ['row', 'cell'], true) && (! isset($part->fields['text']) || ! $part->richText()->isEmpty());
    }
}

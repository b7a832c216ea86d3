<?php

declare(strict_types=1);

namespace App\View\Plans;

use App\Models\Item;
use App\Models\Version;
use App\Restoring\SomebodysEdits;
use App\Store\TouchesBetween;
use App\View\ChangeLine;
use App\View\Phrases;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Telling\Detail;
use MistyAttic\Core\Compare\Telling\Statement;
use MistyAttic\Core\Compare\Telling\Statements;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\History\Answerable;
use MistyAttic\Core\History\Touch;
use MistyAttic\Core\History\Touched;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Merge\Conflict;
use MistyAttic\Core\Merge\Merged;

/** What taking somebody's edits out does to the newest version, before it happens. */
final readonly class TakeOutPlan
{
    /** @var array<int, ChangeLine> by their position in the plan */
    public array $comesBack;

    /** @var array<int, ChangeLine> */
    public array $goesAway;

    /** @var list<array{string, string}> name of the part, and why it stays */
    public array $stays;

    /** @param SomebodysEdits|null $edits what is taken out; null where no line says when it was written */
    public function __construct(Item $item, PartTree $now, Merged $without, Phrases $phrases, ?SomebodysEdits $edits = null)
    {
        $kind = Kinds::named($item->kind);
        // As in a restore: from the state without them to the newest one.
        $changes = TreeCompare::of($without->tree, $now);
        $touches = $edits === null ? [] : $this->touches($item, $edits, array_map(strval(...), array_keys(Touched::by($changes, $kind))));
        $saved = $edits === null
            ? []
            : Version::query()
                ->where('item_id', $item->id)
                ->whereIn('number', array_unique(array_column(array_merge([], ...array_values($touches)), 'number')))
                ->pluck('saved_at', 'number')
                ->all();
        $back = $away = [];
        $at = 0;
        foreach (Statements::of($kind, $without->tree, $now, $changes, Detail::Apart) as $statement) {
            if ($statement->isConsequence()) {
                continue;
            }
            $numbers = array_column(Answerable::forStatement($statement, $touches), 'number');
            $entry = new ChangeLine(
                $statement,
                $phrases->statement($statement),
                $numbers,
                $edits === null || $numbers === [] ? [] : [$edits->author],
                $numbers === [] ? null : $saved[$numbers[count($numbers) - 1]] ?? null,
            );
            self::goes($statement) ? ($away[$at] = $entry) : ($back[$at] = $entry);
            $at++;
        }
        $stays = [];
        foreach ($without->conflicts as $conflict) {
            $stays[$conflict->type->value.$conflict->id] = [self::name($kind, $now, $conflict), self::why($conflict)];
        }
        [$this->comesBack, $this->goesAway, $this->stays] = [$back, $away, array_values($stays)];
    }

    /** What it is called that was edited since; as it was, when it is gone. */
    private static function name(Kind $kind, PartTree $now, Conflict $conflict): string
    {
        $gone = ($conflict->mine[0] ?? null)?->atDepth(0);

        return match (true) {
            $now->has($conflict->id) => $kind->label($now, $now->get($conflict->id)),
            $gone !== null => $kind->label(PartTree::of([$gone]), $gone),
            default => '',
        };
    }

    /**
     * @param  list<string>  $parts
     * @return array<string, list<Touch>> what that person did to each of them
     */
    private function touches(Item $item, SomebodysEdits $edits, array $parts): array
    {
        $between = new TouchesBetween($item, $edits->from, $edits->to, $parts);

        return array_filter(
            array_map(
                fn (array $of) => array_values(array_filter($of, fn (Touch $touch) => $touch->editor === $edits->author->id)),
                $between->of,
            ),
        );
    }

    /**
     * The changes back of the lines that are ticked.
     *
     * @param  list<int>  $ticked  their positions
     * @return list<string>
     */
    public function keys(array $ticked): array
    {
        return array_merge(
            [],
            ...array_map(
                fn (ChangeLine $line) => $line->statement->keysBack(),
                array_values(array_intersect_key($this->comesBack + $this->goesAway, array_flip($ticked))),
            ),
        );
    }

    public function count(): int
    {
        return count($this->comesBack) + count($this->goesAway);
    }

    private static function goes(Statement $statement): bool
    {
        return $statement->type === ChangeType::Added
            || ($statement->type === ChangeType::Edited && $statement->removed === 0 && $statement->added > 0);
    }

    private static function why(Conflict $conflict): string
    {
        return __("history.take_out.{$conflict->type->value}");
    }
}

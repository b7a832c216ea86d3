<?php

declare(strict_types=1);

namespace App\View\Plans;

use App\Models\Item;
use App\View\ChangeLine;
use App\View\Phrases;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Telling\Detail;
use MistyAttic\Core\Compare\Telling\Statement;
use MistyAttic\Core\Compare\Telling\Statements;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Merge\Conflict;
use MistyAttic\Core\Merge\Merged;

/** What taking somebody's edits out does to the newest version, before it happens. */
final readonly class TakeOutPlan
{
    /** @var list<ChangeLine> */
    public array $comesBack;

    /** @var list<ChangeLine> */
    public array $goesAway;

    /** @var list<array{string, string}> name of the part, and why it stays */
    public array $stays;

    public function __construct(Item $item, PartTree $now, Merged $without, Phrases $phrases)
    {
        $kind = Kinds::named($item->kind);
        $back = $away = [];
        // As in a restore: from the state without them to the newest one.
        foreach (Statements::of($kind, $without->tree, $now, TreeCompare::of($without->tree, $now), Detail::Listed) as $statement) {
            if ($statement->isConsequence()) {
                continue;
            }
            $entry = new ChangeLine($statement, $phrases->statement($statement), [], [], null);
            self::goes($statement) ? $away[] = $entry : $back[] = $entry;
        }
        $stays = [];
        foreach ($without->conflicts as $conflict) {
            $part = $now->find($conflict->id) ?? $conflict->mine[0] ?? null;
            $name = $part === null ? '' : $kind->label($now->has($conflict->id) ? $now : PartTree::of([$part->atDepth(0)]), $now->has($conflict->id) ? $part : $part->atDepth(0));
            $stays[$conflict->type->value.$conflict->id] = [$name, self::why($conflict)];
        }
        [$this->comesBack, $this->goesAway, $this->stays] = [$back, $away, array_values($stays)];
    }

    private static function goes(Statement $statement): bool
    {
        return $statement->type === ChangeType::Added || ($statement->type === ChangeType::Edited && $statement->removed === 0 && $statement->added > 0);
    }

    private static function why(Conflict $conflict): string
    {
        return __("history.take_out.{$conflict->type->value}");
    }
}

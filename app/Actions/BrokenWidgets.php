<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Item;
use App\Store\States;
use MistyAttic\Core\Compare\ChangeSet;
use MistyAttic\Core\Compare\ChangeType;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Dataset\DatasetEdit;
use MistyAttic\Core\Kinds\Report\Widget;

/** What a change of a dataset breaks: widgets of reports that need a field which went, or became of another type. */
final readonly class BrokenWidgets
{
    public function __construct(private States $states) {}

    /** @return list<array{type: string, part: string, evidence: array<string, string|int|float>}> */
    public function by(Item $dataset, PartTree $after, ChangeSet $changes): array
    {
        $lost = [];
        foreach ($changes->changes as $change) {
            $part = $change->before ?? $change->part();
            if ($part->role === 'field' && ($change->type === ChangeType::Removed || ($change->type === ChangeType::Edited && $change->before?->string('type') !== $change->after?->string('type')))) {
                $lost[$change->id] = $part->string('name');
            }
        }
        if ($lost === []) {
            return [];
        }
        // What is calculated from it is lost with it, however far away.
        foreach (DatasetEdit::calculatedFrom($after, array_map(strval(...), array_keys($lost))) as $part) {
            $lost[$part->id] = $part->string('name');
        }
        // Everybody on the shelf is told: of reports that stand elsewhere nothing is said.
        $found = [];
        foreach (Item::query()->where(['kind' => 'report', 'shelf_id' => $dataset->shelf_id])->get() as $report) {
            foreach ($this->states->tree($report->root)->parts as $part) {
                if ($part->role === 'widget' && $part->string('source') === $dataset->key) {
                    foreach (array_intersect((new Widget($part))->fields(), array_map(strval(...), array_keys($lost))) as $field) {
                        $found[] = ['type' => 'broke_widget', 'part' => $field, 'evidence' => ['field' => $lost[$field], 'widget' => $part->string('title'), 'report' => $report->title]];
                    }
                }
            }
        }

        return $found;
    }
}

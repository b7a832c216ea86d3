<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Fields;

use App\Kinds\Dataset\DatasetColumns;
use App\Kinds\Report\DrawnFrom;
use App\Models\Item;
use MistyAttic\Core\Calculate\Data\Emptied;
use MistyAttic\Core\Calculate\Data\Records;
use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Dataset\DatasetEdit;
use MistyAttic\Core\Kinds\Report\Widget;

/**
 * What a change of a dataset breaks: widgets of reports that need a field which went or became of another type, or have nothing left to
 * count.
 */
final readonly class BrokenWidgets
{
    public function __construct(private DrawnFrom $drawn, private DatasetColumns $columns) {}

    /**
     * @param  PartTree  $before  all of the dataset, or its fields and what changed
     * @param  string  $beforeRoot  the whole state before
     * @return list<array{type: string, part: string, evidence: array<string, string|int|float>}>
     */
    public function by(Item $dataset, PartTree $before, PartTree $after, ChangeSet $changes, string $beforeRoot): array
    {
        $lost = $this->lost($after, $changes);
        $records = array_values(
            array_filter(
                $changes->changes,
                fn (Change $change) => $change->part()->role === 'record' && $change->type !== ChangeType::Moved,
            ),
        );
        $left = array_filter($records, fn (Change $change) => $change->before !== null);
        if ($lost === [] && $left === []) {
            return [];
        }
        $gone = self::records($before, array_map(fn (Change $change) => $change->before, $records));
        $came = self::records($after, array_map(fn (Change $change) => $change->after, $records));
        $found = [];
        // Of reports that are elsewhere nothing is said; what is said names a report to those alone who may see it.
        foreach ($this->drawn->widgets($dataset, [$dataset->shelf_id]) as ['report' => $report, 'page' => $page, 'widget' => $widget]) {
            $evidence = ['widget' => $widget->string('title'), 'report' => $report->title, 'key' => $report->key];
            $broken = array_intersect((new Widget($widget))->fields(), array_map(strval(...), array_keys($lost)));
            foreach ($broken as $field) {
                $found[] = [
                    'type' => self::how($after->find($field)),
                    'part' => $field,
                    'evidence' => ['field' => $lost[$field], ...$evidence],
                ];
            }
            if (
                $broken === []
                && $left !== []
                && Emptied::by($widget, $page, $gone, $came, fn (): Records => $this->columns->records($beforeRoot))
            ) {
                $found[] = ['type' => 'emptied_widget', 'part' => $left[array_key_first($left)]->id, 'evidence' => $evidence];
            }
        }

        return $found;
    }

    /** @return array<string, string> id => name of the fields that went or became of another type, and of what is calculated from them */
    private function lost(PartTree $after, ChangeSet $changes): array
    {
        $lost = [];
        foreach ($changes->changes as $change) {
            $part = $change->before ?? $change->part();
            if (
                $part->role === 'field'
                && ($change->type === ChangeType::Removed
                    || ($change->type === ChangeType::Edited && $change->before?->string('type') !== $change->after?->string('type')))
            ) {
                $lost[$change->id] = $part->string('name');
            }
        }
        // What is calculated from it is lost with it, however far away.
        foreach (DatasetEdit::calculatedFrom($after, array_map(strval(...), array_keys($lost))) as $part) {
            $lost[$part->id] = $part->string('name');
        }

        return $lost;
    }

    /** How a widget came to lack a field, by what became of that. */
    private static function how(?Part $field): string
    {
        return match (true) {
            $field === null => 'broke_widget',
            $field->string('expression') !== '' => 'starved_widget',
            default => 'misfit_widget',
        };
    }

    /** @param list<Part|null> $records */
    private static function records(PartTree $dataset, array $records): Records
    {
        return Records::of(
            PartTree::of([...array_filter($dataset->parts, fn (Part $part) => $part->role === 'field'), ...array_filter($records)]),
        );
    }
}

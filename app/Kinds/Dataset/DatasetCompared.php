<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Models\User;
use App\View\Comparison;
use MistyAttic\Core\Calculate\Data\Records;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Telling\MarkedPart;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Dataset\FieldNames;

/** A dataset between two versions, or the earlier one alone: what became of its fields, and the records that changed. */
final class DatasetCompared
{
    /** Records that are shown. */
    private const MOST = 300;

    /** @var list<MarkedPart> those that are shown */
    public array $fields = [];

    /** Fields that are left out since they are the same in all records that are shown. */
    public int $same = 0;

    /** @var list<MarkedPart|int> records, and how many the same are left out */
    public array $lines = [];

    /** Records that are not shown, because there are so many. */
    public int $more = 0;

    private readonly PartTree $old;

    private readonly PartTree $new;

    private readonly Records $oldData;

    private readonly Records $newData;

    /** @var array<string, int> record => its row */
    private readonly array $oldRows;

    /** @var array<string, int> record => its row */
    private readonly array $newRows;

    /** @var array<string, true> fields that are calculated on either side */
    private array $calculated = [];

    public function __construct(private readonly Comparison $comparison, public readonly bool $was, bool $all)
    {
        $this->old = $comparison->old;
        $this->new = $was ? $comparison->old : $comparison->new;
        [$this->oldData, $this->newData] = [Records::of($this->old), Records::of($this->new)];
        [$this->oldRows, $this->newRows] = [self::rows($this->old), self::rows($this->new)];
        foreach ([...$this->old->parts, ...$this->new->parts] as $part) {
            if ($part->role === 'field' && $part->string('expression') !== '') {
                $this->calculated[$part->id] = true;
            }
        }
        $same = 0;
        foreach (
            $was
                ? array_map(fn (Part $part) => new MarkedPart(null, $part, $part, false, null, []), $this->old->parts)
                : $comparison->layout() as $marked
        ) {
            if ($marked->part->role === 'field') {
                $this->fields[] = $marked;
            } elseif (! $was && ! $all && $this->state($marked) === 'same') {
                $same++;
            } elseif (count(array_filter($this->lines, is_object(...))) >= self::MOST) {
                $this->more++;
            } else {
                $this->lines = $same === 0 ? $this->lines : [...$this->lines, $same];
                $this->lines[] = $marked;
                $same = 0;
            }
        }
        // Of a large one only what differs is read.
        $same += $this->new->sizes === null ? 0 : ($this->new->sizes[PartTree::ROOT] ?? 0) - count($this->newRows);
        if ($same > 0) {
            $this->lines[] = $same;
        }
        if (! $was && ! $all) {
            $fields = array_values(
                array_filter($this->fields, fn (MarkedPart $field, int $at) => $at === 0 || $this->differs($field), ARRAY_FILTER_USE_BOTH),
            );
            [$this->fields, $this->same] = [$fields, count($this->fields) - count($fields)];
        }
    }

    /** Whether a field changed, or what a record that is shown holds in it; of one that came or went all of it is shown. */
    private function differs(MarkedPart $field): bool
    {
        if ($this->state($field) !== 'same') {
            return true;
        }
        foreach ($this->lines as $line) {
            if ($line instanceof MarkedPart) {
                [$was, $is] = $this->cell($line, $field->part->id);
                if ($line->state !== null || $was !== $is) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return array<string, int> */
    private static function rows(PartTree $tree): array
    {
        return array_flip(
            array_values(array_map(fn (Part $part) => $part->id, array_filter($tree->parts, fn (Part $part) => $part->role === 'record'))),
        );
    }

    /** added, removed, moved, edited or same. */
    public function state(MarkedPart $marked): string
    {
        return $this->was
            ? 'same'
            : $marked->state->value ?? ($marked->movedFrom !== null ? 'moved' : ($marked->edited ? 'edited' : 'same'));
    }

    /** @return array{string, string} what a record held in a field, and what it holds */
    public function cell(MarkedPart $record, string $field): array
    {
        return array_map(DatasetView::day(...), $this->kept($record, $field));
    }

    /** @return array{string, string} the same as it is kept */
    private function kept(MarkedPart $record, string $field): array
    {
        if (($this->calculated[$field] ?? false) === true) {
            $was = $this->given($this->oldData, $this->oldRows, $record->part->id, $field);
            $is = $record->state === ChangeType::Removed ? $was : $this->given($this->newData, $this->newRows, $record->part->id, $field);

            return [$record->state === null ? $was : $is, $is];
        }
        $is = DatasetView::cell($record->part->fields[$field] ?? null);

        return [
            $record->before === null || $record->state !== null ? $is : DatasetView::cell($record->before->fields[$field] ?? null),
            $is,
        ];
    }

    /** @param array<string, int> $rows */
    private function given(Records $data, array $rows, string $record, string $field): string
    {
        return isset($rows[$record]) && $data->has($field) ? DatasetView::show($data->column($field)[$rows[$record]]) : '';
    }

    public function kind(Part $field): string
    {
        return $field->string('expression') === ''
            ? (string) __("data.types.{$field->string('type')}")
            : '= '.FieldNames::shown($field->string('expression'), FieldNames::of($this->old) + FieldNames::of($this->new));
    }

    public function editor(MarkedPart $marked): ?User
    {
        return $this->was || $this->state($marked) === 'same'
            ? null
            : $this->comparison->editorOf($marked->part->id, $marked->state ?? ($marked->edited ? ChangeType::Edited : ChangeType::Moved));
    }
}

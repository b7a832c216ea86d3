<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Kinds\Form\EntryList;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Workbook\CsvWriter;
use MistyAttic\Core\Formats\Workbook\SheetFormat;

/** The entries of a form as a file: a row an entry, a column a question. Read piece by piece, in the order of the list. */
final readonly class EntryTable
{
    public const MEDIA_TYPES = [
        'csv' => 'text/csv; charset=utf-8',
        'xlsx' => 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
        'json' => 'application/json',
    ];

    /** Entries that are read at a time. */
    private const PIECE = 1_000;

    public function __construct(private EntryList $list) {}

    /** @param key-of<self::MEDIA_TYPES> $format */
    public function file(string $format): string
    {
        return match ($format) {
            'csv' => $this->csv(),
            'xlsx' => $this->xlsx(),
            'json' => $this->json(),
        };
    }

    private function csv(): string
    {
        $writer = new CsvWriter;
        $columns = array_keys($this->heads());
        $csv = $writer->row($this->row('rhead', $this->heads()), $columns);
        foreach ($this->rows() as $at => $row) {
            $csv .= $writer->row($this->row("r{$at}", $row), $columns);
        }

        return $csv;
    }

    private function xlsx(): string
    {
        $ids = [];
        $parts = [new Part('tabs', 'tab', 0, ['name' => __('form.columns.tab'), 'frozen' => 1])];
        foreach (array_keys($this->heads()) as $at => $column) {
            $ids[$column] = "c{$at}";
            $parts[] = new Part("c{$at}", 'column', 1, ['width' => 0, 'format' => '']);
        }
        $named = fn (array $row): array => array_combine(array_map(fn (string $column): string => $ids[$column], array_keys($row)), $row);
        $parts[] = $this->row('rhead', $named($this->heads()));
        foreach ($this->rows() as $at => $row) {
            $parts[] = $this->row("r{$at}", $named($row));
        }

        return SheetFormat::Xlsx->write(PartTree::of($parts));
    }

    private function json(): string
    {
        $entries = [];
        foreach ($this->rows() as $row) {
            $own = array_intersect_key($row, $this->ownHeads());
            $entries[] = [...$own, 'answers' => array_map(strval(...), array_diff_key($row, $own))];
        }

        return (string) json_encode(
            ['questions' => $this->list->shown(), 'entries' => $entries],
            JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRETTY_PRINT | JSON_INVALID_UTF8_SUBSTITUTE,
        )."\n";
    }

    /**
     * @return iterable<int, array<string, string|int>> what is known of an entry and what was answered, by column; nothing that is empty
     */
    private function rows(): iterable
    {
        $at = 0;
        foreach (array_chunk($this->list->query()->setEagerLoads([])->pluck('items.id')->all(), self::PIECE) as $ids) {
            $entries = DB::table('items')
                ->join(
                    'versions AS newest',
                    fn ($join) => $join->on('newest.item_id', '=', 'items.id')->on('newest.number', '=', 'items.head'),
                )
                ->join('users AS editors', 'editors.id', '=', 'newest.user_id')
                ->join('versions AS first', fn ($join) => $join->on('first.item_id', '=', 'items.id')->where('first.number', 1))
                ->join('users AS senders', 'senders.id', '=', 'first.user_id')
                ->whereIn('items.id', $ids)
                ->get([
                    'items.id',
                    'items.number',
                    'items.created_at AS sent',
                    'senders.name AS from',
                    'items.changed_at AS changed',
                    'editors.name AS by',
                ])
                ->keyBy('id');
            $answers = EntryList::answersOf($ids);
            foreach ($ids as $id) {
                $entry = (array) $entries[$id];
                unset($entry['id']);
                yield $at++ => [
                    ...$entry,
                    ...array_filter(array_intersect_key($answers[$id] ?? [], $this->list->shown()), fn (string $text) => $text !== ''),
                ];
            }
        }
    }

    /** @return array<string, string> */
    private function heads(): array
    {
        return [...$this->ownHeads(), ...$this->list->shown()];
    }

    /** @return array<string, string> */
    private function ownHeads(): array
    {
        $heads = [];
        foreach (['number', 'sent', 'from', 'changed', 'by'] as $column) {
            $heads[$column] = (string) __("form.columns.{$column}");
        }

        return $heads;
    }

    /** @param array<string, string|int> $cells */
    private function row(string $id, array $cells): Part
    {
        return new Part($id, 'row', 1, $cells);
    }
}

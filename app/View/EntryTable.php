<?php

declare(strict_types=1);

namespace App\View;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\SheetFormat;

/** The entries of a form as a file: a row an entry, a column a question. */
final class EntryTable
{
    /** Entries that are read at a time. */
    private const CHUNK = 500;

    /** @var list<array{number: int, sent: string, by: string, from: string, changed: string, answers: array<string, string>}> */
    private array $rows = [];

    public function __construct(private readonly EntryList $list)
    {
        $list->query()->with('newest.user', 'first.user')->chunk(self::CHUNK, function ($entries): void {
            $answers = EntryList::answersOf($entries);
            foreach ($entries as $entry) {
                $this->rows[] = [
                    'number' => (int) $entry->number, 'sent' => (string) $entry->created_at?->format('Y-m-d H:i:s'), 'by' => (string) $entry->newest?->user->name,
                    'from' => (string) $entry->first?->user->name, 'changed' => $entry->changed_at->format('Y-m-d H:i:s'), 'answers' => array_intersect_key($answers[$entry->id] ?? [], $this->columns()),
                ];
            }
        });
    }

    public function csv(): string
    {
        return SheetFormat::Csv->write($this->tree(), null);
    }

    public function xlsx(): string
    {
        return SheetFormat::Xlsx->write($this->tree(), null);
    }

    public function json(): string
    {
        return (string) json_encode(['questions' => $this->columns(), 'entries' => $this->rows], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRETTY_PRINT | JSON_INVALID_UTF8_SUBSTITUTE)."\n";
    }

    /** @return array<string, string> */
    private function columns(): array
    {
        return $this->list->shown();
    }

    private function tree(): PartTree
    {
        $heads = ['number' => __('form.columns.number'), 'sent' => __('form.columns.sent'), 'from' => __('form.columns.from'), 'changed' => __('form.columns.changed'), 'by' => __('form.columns.by')];
        $parts = [new Part('tabs', 'tab', 0, ['name' => __('form.columns.tab'), 'frozen' => 1])];
        $ids = [];
        foreach ([...array_keys($heads), ...array_keys($this->columns())] as $at => $column) {
            $ids[$column] = "c{$at}";
            $parts[] = new Part("c{$at}", 'column', 1, ['width' => 0, 'format' => '']);
        }
        $row = fn (string $id, array $cells): Part => new Part($id, 'row', 1, array_combine(array_map(fn (string $column): string => $ids[$column], array_keys($cells)), array_values($cells)));
        $parts[] = $row('rhead', [...$heads, ...$this->columns()]);
        foreach ($this->rows as $at => $entry) {
            $parts[] = $row("r{$at}", ['number' => $entry['number'], 'sent' => $entry['sent'], 'from' => $entry['from'], 'changed' => $entry['changed'], 'by' => $entry['by'], ...array_filter($entry['answers'], fn (string $text) => $text !== '')]);
        }

        return PartTree::of($parts);
    }
}

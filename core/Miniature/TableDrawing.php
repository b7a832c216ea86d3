<?php

declare(strict_types=1);

namespace MistyAttic\Core\Miniature;

use Closure;
use MistyAttic\Core\Content\Part;

/** A table: the names of its columns, some rows, a bar in each cell that is filled; below it the names of its tabs. */
final readonly class TableDrawing implements Drawing
{
    private const COLUMNS = 9;

    private const ROWS = 15;

    private const TABS = 4;

    private const MARGIN = 10.0;

    /**
     * @param  string  $column  the role of columns
     * @param  string  $row  the role of rows
     * @param  string|null  $tab  the role of tabs, where there are several tables
     * @param  Closure(mixed): array{int, bool} $shown  how many letters a value has, and whether it is to the right
     */
    public function __construct(private string $column, private string $row, private ?string $tab, private Closure $shown) {}

    public function draw(Sample $sample, Canvas $canvas): void
    {
        $tables = $this->tab === null ? [] : Sample::groups($sample->parts, $this->tab);
        $parts = $this->tab === null ? $sample->parts : $sample->chosen($tables);
        $of = fn (string $role): array => array_values(array_filter($parts, fn (Part $part) => $part->role === $role));
        $columns = Sample::thinned($of($this->column), self::COLUMNS, $this->holdsChanges($sample));
        $rows = Sample::thinned($of($this->row), self::ROWS, fn (Part $row) => $sample->isChanged($row->id));
        $height = Canvas::HEIGHT - 2 * self::MARGIN - ($this->tab === null ? 0 : 14);
        $down = min(18.0, $height / max(4, count($rows) + ($this->tab === null ? 1 : 0)));
        $across = (Canvas::WIDTH - 2 * self::MARGIN) / max(3, count($columns));
        $y = self::MARGIN;
        if ($this->tab === null) {
            $this->names($canvas, $sample, $columns, $across, $down);
            $y += $down;
        }
        foreach ($rows as $row) {
            $this->row($canvas, $sample, $row, $columns, $y, $across, $down);
            $y += $down;
        }
        foreach (array_slice($tables, 0, self::TABS) as $at => $table) {
            $tone = $sample->tone($table[0]->id) ?? ($table[0] === ($parts[0] ?? null) ? Tone::HEAD : Tone::LINE);
            $canvas->words(self::MARGIN + $at * 70, Canvas::HEIGHT - 8, 8, 66, $table[0]->string('name'), $tone);
        }
    }

    /** @return Closure(Part): bool whether a column changed, or a cell in it */
    private function holdsChanges(Sample $sample): Closure
    {
        $changed = [];
        foreach (array_keys($sample->changed) as $touched) {
            $changed[explode('/', (string) $touched)[1] ?? (string) $touched] = true;
        }

        return fn (Part $column): bool => isset($changed[$column->id]);
    }

    /** @param list<Part> $columns */
    private function names(Canvas $canvas, Sample $sample, array $columns, float $across, float $down): void
    {
        foreach ($columns as $at => $column) {
            $canvas->bar(self::MARGIN + $at * $across, self::MARGIN, $across, $down, Tone::GROUND);
            $canvas->words(
                self::MARGIN + $at * $across + 3,
                self::MARGIN + $down * 0.7,
                min(7.0, $down * 0.6),
                $across - 4,
                $column->string('name'),
                $sample->tone($column->id) ?? Tone::HEAD,
            );
        }
    }

    /** @param list<Part> $columns */
    private function row(Canvas $canvas, Sample $sample, Part $row, array $columns, float $y, float $across, float $down): void
    {
        $canvas->bar(self::MARGIN, $y + $down - 1, Canvas::WIDTH - 2 * self::MARGIN, 1, Tone::EDGE);
        $isSeen = false;
        foreach ($columns as $at => $column) {
            $tone = $sample->tone("{$row->id}/{$column->id}") ?? $sample->tone($row->id) ?? $sample->tone($column->id);
            [$letters, $isRight] = isset($row->fields[$column->id]) ? ($this->shown)($row->fields[$column->id]) : [0, false];
            $x = self::MARGIN + $at * $across;
            if ($letters === 0) {
                // A cell that was emptied is seen, too.
                $sample->tone("{$row->id}/{$column->id}") !== null && $canvas->edge($x + 2, $y + 2, $across - 4, $down - 4, (string) $tone);

                continue;
            }
            $isSeen = true;
            $width = min($across - 6, 3 + $letters * 2.6);
            $canvas->bar(
                $isRight ? $x + $across - 3 - $width : $x + 3,
                $y + $down * 0.32,
                $width,
                max(1.4, $down * 0.32),
                $tone ?? Tone::LINE,
            );
        }
        // What it holds may be in columns for which there is no room.
        $tone = $isSeen ? null : $sample->tone($row->id);
        $tone !== null && $canvas->edge(self::MARGIN + 2, $y + 2, Canvas::WIDTH - 2 * self::MARGIN - 4, $down - 4, $tone);
    }
}

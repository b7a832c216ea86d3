<?php

declare(strict_types=1);

namespace App\View\Sources;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Sequences\Sequences;

/** Two states as their sources, compared line by line, as the kind writes them. */
final readonly class SourceView
{
    /** Lines that are the same are shown around a change, and no more. */
    private const AROUND = 3;

    public string $name;

    /** @var list<SourceLine> */
    public array $lines;

    public function __construct(Files $files, PartTree $old, PartTree $new)
    {
        $this->name = $files::SOURCE;
        $write = fn (PartTree $tree): array => explode("\n", rtrim($files->source($tree, self::picture(...))));
        $this->lines = $this->compare($write($old), $write($new));
    }

    public function isEmpty(): bool
    {
        return array_filter($this->lines, fn (SourceLine $line) => $line->state === 'added' || $line->state === 'removed') === [];
    }

    /**
     * @param  list<string>  $old
     * @param  list<string>  $new
     * @return list<SourceLine>
     */
    private function compare(array $old, array $new): array
    {
        $lines = [];
        $at = 0;
        foreach (Sequences::align($old, $new)->gaps() as [$oldFrom, $oldTo, $newFrom, $newTo]) {
            array_push($lines, ...$this->same($new, $newFrom - $oldFrom, $at, $newFrom));
            foreach (array_slice($old, $oldFrom, $oldTo - $oldFrom) as $offset => $text) {
                $lines[] = new SourceLine('removed', $oldFrom + $offset + 1, null, $text);
            }
            foreach (array_slice($new, $newFrom, $newTo - $newFrom) as $offset => $text) {
                $lines[] = new SourceLine('added', null, $newFrom + $offset + 1, $text);
            }
            $at = $newTo;
        }

        return [...$lines, ...$this->same($new, count($new) - count($old), $at, count($new))];
    }

    /**
     * @param  list<string>  $new
     * @param  int  $shift  what to take off a new position for the old one
     * @return list<SourceLine>
     */
    private function same(array $new, int $shift, int $from, int $to): array
    {
        $head = $from === 0 ? $from : min($to, $from + self::AROUND);
        $tail = $to === count($new) ? $to : max($head, $to - self::AROUND);
        $line = fn (int $at): SourceLine => new SourceLine('same', $at - $shift + 1, $at + 1, $new[$at]);
        $skipped = $tail - $head;

        return [
            ...array_map($line, $head > $from ? range($from, $head - 1) : []),
            ...$skipped > 0
                ? [new SourceLine('gap', null, null, trans_choice('history.source_same', $skipped, ['count' => (string) $skipped]))]
                : [],
            ...array_map($line, $to > $tail ? range($tail, $to - 1) : []),
        ];
    }

    private static function picture(string $chunk): string
    {
        return 'picture-'.substr($chunk, 0, 8);
    }
}

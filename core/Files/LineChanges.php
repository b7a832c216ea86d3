<?php

declare(strict_types=1);

namespace MistyAttic\Core\Files;

use MistyAttic\Core\Content\InvalidContent;
use MistyAttic\Core\Formats\Lines;
use MistyAttic\Core\Sequences\Sequences;

/** What leads from one text to another, line by line and to the byte. */
final readonly class LineChanges
{
    private const CONTEXT = 3;

    /** A change is looked for so many lines up and down from where it was. */
    private const REACH = 2_000;

    /** @param list<Hunk> $hunks ascending */
    public function __construct(public array $hunks, public bool $exact = true) {}

    public static function between(string $old, string $new): self
    {
        $oldLines = Lines::of($old);
        $newLines = Lines::of($new);
        $alignment = Sequences::align($oldLines, $newLines);
        $hunks = [];
        foreach ($alignment->gaps() as [$oldFrom, $oldTo, $newFrom, $newTo]) {
            $hunks[] = new Hunk(
                $oldFrom,
                array_slice($oldLines, max(0, $oldFrom - self::CONTEXT), min(self::CONTEXT, $oldFrom)),
                array_slice($oldLines, $oldFrom, $oldTo - $oldFrom),
                array_slice($newLines, $newFrom, $newTo - $newFrom),
                array_slice($oldLines, $oldTo, self::CONTEXT),
            );
        }

        return new self($hunks, $alignment->exact);
    }

    /** @throws InvalidContent */
    public static function fromJson(mixed $value): self
    {
        if (! is_array($value) || ! array_is_list($value)) {
            throw InvalidContent::notChanges('the changes of lines are a list');
        }

        return new self(array_map(Hunk::fromJson(...), $value));
    }

    /** @return array{int, int} lines added and removed */
    public function counts(): array
    {
        return [
            array_sum(array_map(fn (Hunk $hunk) => count($hunk->added), $this->hunks)),
            array_sum(array_map(fn (Hunk $hunk) => count($hunk->removed), $this->hunks)),
        ];
    }

    /**
     * For the text that it was made from, gives the other to the byte; for one that has moved on, finds the places again by
     * the lines around them.
     *
     * @return array{string, list<Hunk>} the text, and the changes that have no place in it
     */
    public function apply(string $text): array
    {
        $lines = Lines::of($text);
        $result = $misfits = [];
        $at = $drift = 0;
        foreach ($this->hunks as $hunk) {
            $place = $this->place($lines, $hunk, $hunk->at + $drift, $at);
            if ($place === null) {
                $misfits[] = $hunk;

                continue;
            }
            array_push($result, ...array_slice($lines, $at, $place - $at), ...$hunk->added);
            $at = $place + count($hunk->removed);
            $drift = $place - $hunk->at;
        }
        array_push($result, ...array_slice($lines, $at));

        return [implode('', $result), $misfits];
    }

    /** @return list<array<string, mixed>> */
    public function toJson(): array
    {
        return array_map(fn (Hunk $hunk) => $hunk->toJson(), $this->hunks);
    }

    /** @param list<string> $lines */
    private function place(array $lines, Hunk $hunk, int $expected, int $least): ?int
    {
        for ($away = 0; $away <= self::REACH; $away++) {
            foreach ($away === 0 ? [$expected] : [$expected - $away, $expected + $away] as $place) {
                if ($place >= $least && $place <= count($lines) && $this->fits($lines, $hunk, $place, $away === 0)) {
                    return $place;
                }
            }
        }

        return null;
    }

    /**
     * At its own place a change of lines needs just these; anywhere else, and to put something in, what is around as well.
     *
     * @param  list<string>  $lines
     */
    private function fits(array $lines, Hunk $hunk, int $place, bool $own): bool
    {
        $to = $place + count($hunk->removed);
        if (array_slice($lines, $place, count($hunk->removed)) !== $hunk->removed) {
            return false;
        }
        $before = count($hunk->before) <= $place ? array_slice($lines, $place - count($hunk->before), count($hunk->before)) : null;
        $after = array_slice($lines, $to, count($hunk->after));
        $around = ($before === $hunk->before ? 1 : 0) + ($after === $hunk->after ? 1 : 0);

        return $around === 2 || ($own && ($hunk->removed !== [] || $around === 1));
    }
}

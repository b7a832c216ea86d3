<?php

declare(strict_types=1);

namespace MistyAttic\Core\History;

use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Texts\Carried;
use MistyAttic\Core\Compare\Texts\TextCompare;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Grid;

/**
 * Carries authorship through a range of versions: for each word of a text and each other field, the version that wrote it
 * last; for what is gone, the version that took it. What no version of the range touched has no author in it.
 * Cost follows what changed: one word comparison for each text that a version edited.
 */
final class Attribution
{
    private readonly Words $words;

    /** @var array<string, int> part => version that added it */
    private array $parts = [];

    /** @var array<string, array<string, int>> part => field => version */
    private array $fields = [];

    /** @var array<string, array<string, list<int|null>>> part => text => version of each word */
    private array $tokens = [];

    /** @var array<string, array<string, list<string>>> part => text => its words, to tell how many are still there */
    private array $texts = [];

    /** @var list<Gone> */
    private array $gone = [];

    /**
     * @var array<string, array<int, int|null>> part => position of a word that the present step carried there => the version that wrote it
     */
    private array $came = [];

    /** @var array<string, array<int, true>> part => positions of words that the present step carried elsewhere */
    private array $went = [];

    /** @var array<int, int> version => editor */
    private array $editors = [];

    /** @var array<int, Contribution> by editor */
    private array $contributions = [];

    /** @var array<string, true> rows that were touched: their fields are cells */
    private array $rows = [];

    /**
     * @param  iterable<Step>  $steps  ascending
     * @param  Grid|null  $grid  of the item's kind
     */
    public function __construct(iterable $steps, private readonly ?Grid $grid = null)
    {
        $this->words = new Words;
        foreach ($steps as $step) {
            $this->editors[$step->number] = $step->editor;
            $this->of($step)->versions[$step->number] = true;
            $this->carry($step);
            foreach ($step->changes->changes as $change) {
                match ($change->type) {
                    ChangeType::Added => $this->added($step, $change),
                    ChangeType::Removed => $this->removed($step, $change),
                    ChangeType::Moved => $this->of($step)->partsMoved++,
                    ChangeType::Edited => $this->edited($step, $change),
                };
            }
        }
        $this->countStanding();
    }

    /** What the step took from one text to another belongs to whoever wrote it there. */
    private function carry(Step $step): void
    {
        $this->came = $this->went = [];
        foreach (Carried::in($step->changes, $this->words) as $carried) {
            for ($i = 0; $i < $carried->length; $i++) {
                $this->came[$carried->part][$carried->at + $i] = $this->tokens[$carried->from]['text'][$carried->fromAt + $i] ?? null;
                $this->went[$carried->from][$carried->fromAt + $i] = true;
            }
        }
    }

    /** The version that added a part in the range; null when it was there before. */
    public function ofPart(string $part): ?int
    {
        return $this->parts[$part] ?? null;
    }

    /** The version that last wrote a field, such as a cell; for a text, any of its words. */
    public function ofField(string $part, string $field): ?int
    {
        return $this->fields[$part][$field] ?? null;
    }

    /**
     * The version that wrote each word of a text ({@see Words}); null when it was there before.
     *
     * @return list<int|null>|null null when no version of the range touched the text
     */
    public function ofWords(string $part, string $field = 'text'): ?array
    {
        return $this->tokens[$part][$field] ?? null;
    }

    /** @return list<Gone> what is gone, in the order in which it went */
    public function gone(): array
    {
        return $this->gone;
    }

    /** @return array<int, Contribution> by editor */
    public function contributions(): array
    {
        return $this->contributions;
    }

    public function editor(int $version): ?int
    {
        return $this->editors[$version] ?? null;
    }

    private function of(Step $step): Contribution
    {
        return $this->contributions[$step->editor] ??= new Contribution;
    }

    private function added(Step $step, Change $change): void
    {
        $part = $change->part();
        $this->parts[$part->id] = $step->number;
        $this->of($step)->partsAdded++;
        foreach ($part->fields as $name => $value) {
            $this->write($step, $part, (string) $name, null, $value);
        }
    }

    private function removed(Step $step, Change $change): void
    {
        $part = $change->part();
        $this->of($step)->partsRemoved++;
        foreach ($part->fields as $name => $value) {
            $this->write($step, $part, (string) $name, $value, null);
        }
        unset($this->parts[$part->id], $this->fields[$part->id], $this->tokens[$part->id], $this->texts[$part->id]);
    }

    private function edited(Step $step, Change $change): void
    {
        foreach ($change->fields() as $field) {
            $this->write($step, $change->part(), $field, $change->before->fields[$field] ?? null, $change->after->fields[$field] ?? null);
        }
    }

    private function write(Step $step, Part $part, string $field, mixed $before, mixed $after): void
    {
        $author = $this->fields[$part->id][$field] ?? null;
        $this->fields[$part->id][$field] = $step->number;
        if ($before instanceof RichText || $after instanceof RichText) {
            $this->text(
                $step,
                $part->id,
                $field,
                $before instanceof RichText ? $before : new RichText,
                $after instanceof RichText ? $after : new RichText,
            );

            return;
        }
        if ($part->role === $this->grid?->row) {
            $this->rows[$part->id] = true;
            $after === null ? $this->of($step)->cellsEmptied++ : $this->of($step)->cellsWritten++;
        }
        if ($before !== null && (is_scalar($before) || is_array($before))) {
            $this->gone[] = new Gone(
                $part->id,
                $field,
                is_array($before)
                    ? implode(' ', array_map(fn (mixed $one): string => is_scalar($one) ? (string) $one : '', $before))
                    : (string) json_encode($before, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
                $author,
                $step->number,
            );
        }
        if ($after === null) {
            unset($this->fields[$part->id][$field]);
        }
    }

    private function text(Step $step, string $part, string $field, RichText $before, RichText $after): void
    {
        $compare = TextCompare::of($before, $after, $this->words);
        $was = $this->tokens[$part][$field] ?? array_fill(0, count($compare->oldTexts), null);
        /** @var list<int|null> $now */
        $now = array_fill(0, count($compare->newTexts), $step->number);
        $pairs = $compare->alignment->pairs();
        [$came, $went] = $field === 'text' ? [$this->came[$part] ?? [], $this->went[$part] ?? []] : [[], []];
        foreach ($came as $at => $version) {
            $now[$at] = $version;
        }
        foreach ($compare->oldTexts as $at => $word) {
            if (isset($pairs[$at])) {
                $now[$pairs[$at]] = $was[$at];
            } elseif (Words::counts($word) && ! isset($went[$at])) {
                $this->gone[] = new Gone($part, $field, $word, $was[$at], $step->number);
            }
        }
        [$added, $removed] = $compare->counts();
        $carried = fn (array $positions, array $texts): int => count(
            array_filter(array_keys($positions), fn (int $at) => Words::counts($texts[$at] ?? '')),
        );
        $this->of($step)->wordsAdded += $added - $carried($came, $compare->newTexts);
        $this->of($step)->wordsRemoved += $removed - $carried($went, $compare->oldTexts);
        $this->tokens[$part][$field] = array_values($now);
        $this->texts[$part][$field] = array_map(fn (string $word) => Words::counts($word) ? $word : '', $compare->newTexts);
    }

    private function countStanding(): void
    {
        foreach ($this->parts as $version) {
            $this->contributions[$this->editors[$version]]->partsStanding++;
        }
        foreach ($this->fields as $part => $fields) {
            foreach (isset($this->rows[$part]) ? $fields : [] as $version) {
                $this->contributions[$this->editors[$version]]->cellsStanding++;
            }
        }
        foreach ($this->tokens as $part => $texts) {
            foreach ($texts as $field => $versions) {
                foreach ($versions as $at => $version) {
                    if ($version !== null && $this->texts[$part][$field][$at] !== '') {
                        $this->contributions[$this->editors[$version]]->wordsStanding++;
                    }
                }
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace App\View;

use App\Models\User;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Telling\MarkedPart;
use MistyAttic\Core\Compare\Texts\Span;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Sequences\Sequences;

/** A part of a document, ready to be shown: on its own, or marked as a comparison has it. */
final readonly class Block
{
    /**
     * @param  list<array{Span, User|null}>  $spans
     * @param  list<User>  $editors  whose marks it has
     * @param  string|null  $note  where it moved from, or what it was before
     * @param  list<self>  $children  rows of a table, cells of a row
     * @param  bool|null  $signed  see {@see SpanHtml}
     */
    public function __construct(
        public MarkedPart $marked,
        public array $spans,
        public array $editors,
        public ?string $note,
        public int $number,
        public array $children,
        private ?bool $signed = null,
    ) {}

    /** It alone, without what is below. */
    public function alone(): self
    {
        return new self($this->marked, $this->spans, $this->editors, $this->note, $this->number, [], $this->signed);
    }

    public function part(): Part
    {
        return $this->marked->part;
    }

    public function id(): string
    {
        return $this->marked->part->id;
    }

    public function role(): string
    {
        return $this->marked->part->role;
    }

    public function added(): bool
    {
        return $this->marked->state === ChangeType::Added;
    }

    public function removed(): bool
    {
        return $this->marked->state === ChangeType::Removed;
    }

    public function moved(): bool
    {
        return $this->marked->movedFrom !== null;
    }

    public function changed(): bool
    {
        return $this->marked->state !== null || $this->moved() || $this->marked->edited;
    }

    /** Whether it is not there, but stood there before it moved. */
    public function isTrace(): bool
    {
        return $this->marked->isTrace;
    }

    /** Whether it stands apart only on one side: `old` leaves out what came, `new` what went. */
    public function isOn(string $side): bool
    {
        return $side === 'both' || ! ($side === 'old' ? $this->added() : $this->removed() || $this->isTrace());
    }

    /**
     * A setting as it was and as it is; the former only when it is another, and when both sides are shown.
     *
     * @param  'old'|'new'|'both'  $side
     * @return array{string|null, string}
     */
    public function setting(string $field, string $side): array
    {
        $is = $this->part()->string($field);
        $was = $this->marked->before?->string($field) ?? $is;

        return match (true) {
            $side === 'old' => [null, $was],
            $side === 'new' || $was === $is => [null, $is],
            default => [$was, $is],
        };
    }

    /**
     * All fields but texts, as they were and as they are, like {@see setting}.
     *
     * @param  'old'|'new'|'both'  $side
     * @return array<string, array{string|null, string}>
     */
    public function settings(string $side): array
    {
        $settings = [];
        foreach ($this->part()->fields + ($this->marked->before->fields ?? []) as $name => $value) {
            $said = fn (mixed $value): string => is_bool($value) ? ($value ? 'yes' : 'no') : (is_scalar($value) ? (string) $value : '');
            if (! $value instanceof RichText && preg_match('/^[0-9a-f]{40}$/D', $said($value)) !== 1) {
                $is = $said($this->part()->fields[$name] ?? null);
                $was = $this->marked->before === null ? $is : $said($this->marked->before->fields[$name] ?? null);
                $settings[$name] = match (true) {
                    $side === 'old' => [null, $was],
                    $side === 'new' || $was === $is => [null, $is],
                    default => [$was, $is],
                };
            }
        }

        return $settings;
    }

    /**
     * Two lists of a setting as rows of pairs, each with whether it came or went.
     *
     * @param  'old'|'new'|'both'  $side
     * @return list<array{string, string, 'same'|'added'|'removed'}>
     */
    public function pairs(string $first, string $second, string $side): array
    {
        $of = fn (Part $part): array => array_map(
            fn (string $one, int $at) => [$one, $part->strings($second)[$at] ?? ''],
            $part->strings($first),
            array_keys($part->strings($first)),
        );
        [$was, $is] = [$of($this->marked->before ?? $this->part()), $of($this->part())];
        $alignment = Sequences::align(array_map(serialize(...), $was), array_map(serialize(...), $is));
        $rows = [];
        $old = $new = 0;
        foreach ([...$alignment->runs, [count($was), count($is), 0]] as [$oldAt, $newAt, $length]) {
            array_push(
                $rows,
                ...($side === 'new' ? [] : array_map(fn (array $row) => [...$row, 'removed'], array_slice($was, $old, $oldAt - $old))),
                ...($side === 'old' ? [] : array_map(fn (array $row) => [...$row, 'added'], array_slice($is, $new, $newAt - $new))),
                ...array_map(fn (array $row) => [...$row, 'same'], array_slice($is, $newAt, $length)),
            );
            [$old, $new] = [$oldAt + $length, $newAt + $length];
        }

        return $rows;
    }

    /** @param 'old'|'new'|'both' $side */
    public function text(string $side, HistoryAddress $address): SpanHtml
    {
        return new SpanHtml($this->spans, $side, $address->highlights(...), $this->signed);
    }

    /** What shows at the front of a list item. */
    public function marker(): string
    {
        return match ($this->part()->string('style')) {
            'number' => $this->number.'.',
            'task' => ($this->part()->fields['done'] ?? false) === true ? '☑' : '☐',
            default => '•',
        };
    }

    /** Whether it was changed only by people whose changes are not asked for. */
    private function quiet(HistoryAddress $address): bool
    {
        foreach ($this->editors as $editor) {
            if ($address->highlights($editor->id)) {
                return false;
            }
        }

        return $this->changed() && $this->editors !== [];
    }

    /** Classes that carry form and colour. */
    public function classes(HistoryAddress $address): string
    {
        return implode(' ', array_filter([
            'block',
            'is-'.$this->role(),
            'depth-'.min(8, $this->role() === 'item' ? $this->part()->depth : 0),
            $this->role() === 'heading' ? 'level-'.$this->part()->int('level') : '',
            $this->isTrace() ? 'is-trace' : '',
            $this->added() ? 'was-added' : '',
            $this->removed() ? 'was-removed' : '',
            $this->moved() ? 'was-moved' : '',
            $this->marked->edited ? 'was-edited' : '',
            $this->quiet($address) ? 'is-quiet' : '',
            $this->editors === [] ? '' : 'by-'.$this->editors[count($this->editors) - 1]->colour,
        ]));
    }
}

<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Dataset;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Label;

/** What a field holds, how its numbers are written where it comes from, and in which currency. */
final readonly class FieldType
{
    /** Values by which a type is proposed, and choices that still are some. */
    private const LOOKED_AT = 2_000;

    private const MOST_CHOICES = 24;

    /** So many of a hundred values may be none of a type that is proposed all the same; they stay as they are. */
    private const MISFITS = 10;

    /**
     * @param  string  $type  text, number, money, date, boolean or choice
     * @param  list<string>  $choices
     * @param  string  $decimal  the mark before decimals
     * @param  string  $days  which comes first in `3/5/2026`: day, month, or empty; see {@see DayWriting}
     * @param  string  $currency  of money: a sign or a code of ISO 4217; empty where values name none
     */
    public function __construct(
        public string $type,
        public array $choices = [],
        public string $decimal = '.',
        public string $currency = '',
        public string $days = '',
    ) {}

    public static function of(Part $field): self
    {
        return new self(
            $field->string('type'),
            $field->strings('choices'),
            $field->string('decimal') === 'comma' ? ',' : '.',
            $field->string('currency'),
            $field->string('days'),
        );
    }

    /**
     * What a field seems to be by its values. Dates and numbers may have a few among them that are none.
     *
     * @param  list<mixed>  $values  of cells, none of them null
     * @param  string  $hint  the mark before decimals where the values leave it open
     */
    public static function seen(array $values, string $hint = '.'): self
    {
        $looked = array_slice($values, 0, self::LOOKED_AT);
        $writing = self::written($looked, $hint);
        foreach (['date', 'boolean', 'number', 'money'] as $name) {
            $type = match ($name) {
                'money' => self::money($looked, $writing),
                'date' => new self($name, days: self::days($looked, $hint)),
                default => new self($name, decimal: $writing->decimal),
            };
            if (
                $values !== []
                && $type->misfits($looked) * 100 <= count($looked) * self::MISFITS
                && ! ($name === 'number' && self::hasCodes($looked))
            ) {
                return count($values) === count($looked)
                    ? $type
                    : match ($name) {
                        'money' => self::money($values, self::written($values, $hint)),
                        'date' => new self($name, days: self::days($values, $hint)),
                        default => new self($name, decimal: self::written($values, $hint)->decimal),
                    };
            }
        }
        $texts = array_count_values(array_map(Cell::show(...), $looked));
        if (count($looked) < 8 || count($texts) < 2 || count($texts) > min(self::MOST_CHOICES, intdiv(count($looked), 3))) {
            return new self('text');
        }
        ksort($texts);

        return new self('choice', array_map(fn (string|int $text) => Label::of((string) $text), array_keys($texts)));
    }

    /**
     * What somebody says that it is, over values as they are written.
     *
     * @param  list<mixed>  $values
     * @param  string|null  $decimal  point or comma; null for what the values say
     * @param  string|null  $days  day or month, whichever comes first; null for what the values say
     */
    public function asked(string $type, array $values, ?string $decimal = null, ?string $days = null): self
    {
        if ($type !== 'number' && $type !== 'money') {
            return $type === $this->type && $days === null
                ? $this
                : new self($type, days: $type === 'date' ? $days ?? self::days($values, $this->decimal) : '');
        }
        $writing = $decimal === null ? self::written($values, $this->decimal) : new NumberWriting($decimal === 'comma' ? ',' : '.');

        return $type === 'money' ? self::money($values, $writing) : new self($type, decimal: $writing->decimal);
    }

    public function isNumber(): bool
    {
        return $this->type === 'number' || $this->type === 'money';
    }

    /** A cell as a value of this; what can't be one stays what it is, and is counted as a misfit when it is read. */
    public function value(mixed $cell): mixed
    {
        if (! is_string($cell)) {
            return in_array($this->type, ['text', 'choice'], true) && (is_int($cell) || is_float($cell)) ? Cell::show($cell) : $cell;
        }
        $text = trim($cell);

        return match ($this->type) {
            'number', 'money' => $this->number((new NumberWriting($this->decimal))->read($text)) ?? $cell,
            'date' => ($day = (new DayWriting($this->days))->read($text)) === null ? $cell : ['d', $day],
            'boolean' => ['yes' => true, 'true' => true, 'no' => false, 'false' => false][mb_strtolower($text)] ?? $cell,
            default => $cell,
        };
    }

    /** What somebody types, in the way that numbers are shown where that is one. */
    public function typed(string $text): mixed
    {
        return $this->isNumber() ? $this->number(NumberWriting::typed(trim($text))) ?? $text : $this->value($text);
    }

    /** Whether a value is of this type. */
    public function holds(mixed $value): bool
    {
        return match ($this->type) {
            'number', 'money' => is_int($value) || is_float($value),
            'boolean' => is_bool($value),
            'date' => is_array($value) && ($value[0] ?? '') === 'd',
            default => true,
        };
    }

    /**
     * Values that are none of this.
     *
     * @param  list<mixed>  $values
     */
    public function misfits(array $values): int
    {
        return count(array_filter($values, fn (mixed $value) => ! $this->holds($this->value($value))));
    }

    /** @return array<string, string|list<string>> as a field has it */
    public function fields(): array
    {
        return [
            'type' => $this->type,
            ...$this->choices === [] ? [] : ['choices' => $this->choices],
            ...$this->decimal === ',' ? ['decimal' => 'comma'] : [],
            ...$this->currency === '' ? [] : ['currency' => $this->currency],
            ...$this->days === '' ? [] : ['days' => $this->days],
        ];
    }

    /** @param array{number: int|float, currency: string}|null $read */
    private function number(?array $read): int|float|null
    {
        return $read === null
            || ($read['currency'] !== '' && ($this->type === 'number' || ($this->currency !== '' && $read['currency'] !== $this->currency)))
            ? null
            : $read['number'];
    }

    /**
     * Where commas are before decimals, days are before months.
     *
     * @param  list<mixed>  $values
     */
    private static function days(array $values, string $hint): string
    {
        return DayWriting::of(array_filter($values, is_string(...)), $hint === ',' ? 'day' : '')->first;
    }

    /** @param list<mixed> $values */
    private static function written(array $values, string $hint): NumberWriting
    {
        return NumberWriting::of(array_filter($values, is_string(...)), $hint);
    }

    /**
     * Money in the currency that most of the values name.
     *
     * @param  list<mixed>  $values
     */
    private static function money(array $values, NumberWriting $writing): self
    {
        $currencies = [];
        foreach ($values as $value) {
            $currency = is_string($value) ? $writing->read($value)['currency'] ?? '' : '';
            if ($currency !== '') {
                $currencies[$currency] = ($currencies[$currency] ?? 0) + 1;
            }
        }
        arsort($currencies);

        return new self('money', decimal: $writing->decimal, currency: (string) array_key_first($currencies));
    }

    /** @param list<mixed> $values */
    private static function hasCodes(array $values): bool
    {
        return array_filter($values, fn (mixed $value) => is_string($value) && preg_match('/^0\d+$/D', trim($value)) === 1) !== [];
    }
}

<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Dataset\FieldType;

/** What becomes of values that are written as texts when they are read as numbers, money or days, one way and the other. */
final readonly class ReadingWays
{
    private const EXAMPLES = 3;

    private const LOOKED_AT = 200;

    /** What tells that a text can be read in two ways. */
    private const MARKED = ['decimal' => '/\d.*[.,]|[.,].*\d/u', 'days' => '/^\d{1,2}[\/-]\d{1,2}[\/-]/'];

    /** What of a field says how it is read: decimal or days. */
    public string $setting;

    /** @var array<string, array{example: string, read: string|null, left: int, kept: list<string>}> point, comma; or day, month */
    public array $ways;

    /** The way that the values themselves speak for; of days that leave it open, the day first. */
    public string $chosen;

    /**
     * @param  list<mixed>  $values  of a field
     * @param  FieldType  $type  number, money or date, as the values are read if nobody says otherwise
     */
    public function __construct(array $values, FieldType $type)
    {
        $this->setting = $type->type === 'date' ? 'days' : 'decimal';
        $texts = array_values(array_filter($values, is_string(...)));
        $marked = array_values(array_filter($texts, fn (string $text) => preg_match(self::MARKED[$this->setting], $text) === 1));
        // The one with most marks shows most.
        usort($marked, fn (string $one, string $two) => preg_match_all('/[.,]/', $two) <=> preg_match_all('/[.,]/', $one));
        $ways = [];
        // Where no mark is there is nothing to choose, and nothing is counted.
        $values = $marked === [] ? [] : $values;
        foreach (self::types($type) as $name => $as) {
            $kept = array_values(array_filter($values, fn (mixed $value) => ! $as->holds($as->value($value))));
            $read = $marked === [] ? null : $as->value($marked[0]);
            $ways[$name] = [
                'example' => $marked[0] ?? '',
                'read' => is_int($read) || is_float($read) ? DatasetView::separated($read) : (is_array($read) ? Cell::show($read) : null),
                'left' => count($kept),
                'kept' => array_map(fn (mixed $value) => Cell::show($value), array_slice($kept, 0, self::EXAMPLES)),
            ];
        }
        $this->ways = $ways;
        $this->chosen = $this->setting === 'days' ? ($type->days ?: 'day') : ($type->decimal === ',' ? 'comma' : 'point');
    }

    /** @return array<string, FieldType> */
    private static function types(FieldType $type): array
    {
        return $type->type === 'date'
            ? ['day' => new FieldType('date', days: 'day'), 'month' => new FieldType('date', days: 'month')]
            : [
                'point' => new FieldType($type->type, decimal: '.', currency: $type->currency),
                'comma' => new FieldType($type->type, decimal: ',', currency: $type->currency),
            ];
    }

    /**
     * As what a field is asked about: as what it seems to be, or where half of its first values can be read so, one way or the other, as
     * days or numbers.
     *
     * @param  list<mixed>  $values
     * @return FieldType|null null where there is nothing to ask
     */
    public static function asked(FieldType $seen, array $values): ?FieldType
    {
        if ($seen->isNumber() || $seen->type === 'date') {
            return $seen;
        }
        $first = array_slice($values, 0, self::LOOKED_AT);
        foreach ($first === [] ? [] : ['date', 'number'] as $type) {
            foreach (self::types(new FieldType($type)) as $as) {
                if (2 * $as->misfits($first) <= count($first)) {
                    return $seen->asked($type, $values);
                }
            }
        }

        return null;
    }

    /** Whether one way or the other all values can be read. */
    public function isAllRead(): bool
    {
        return in_array(0, array_column($this->ways, 'left'), true);
    }

    /** Whether there is something to choose: some value is read otherwise one way than the other. */
    public function differ(): bool
    {
        [$one, $other] = array_values($this->ways);

        return $one['example'] !== '' && ($one['read'] !== $other['read'] || $one['left'] !== $other['left']);
    }
}

<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Dataset\FieldType;

/** What becomes of values that are written as texts when they are read as numbers or money, one way and the other. */
final readonly class NumberWays
{
    private const EXAMPLES = 3;

    private const LOOKED_AT = 200;

    /** @var array<string, array{example: string, read: string|null, left: int, kept: list<string>, currency: string}> point, comma */
    public array $ways;

    /** The way that the values themselves speak for: point or comma. */
    public string $chosen;

    /**
     * @param  list<mixed>  $values  of a field
     * @param  FieldType  $type  number or money, as the values are read if nobody says otherwise
     */
    public function __construct(array $values, FieldType $type)
    {
        $this->chosen = $type->decimal === ',' ? 'comma' : 'point';
        $texts = array_values(array_filter($values, is_string(...)));
        $marked = array_values(array_filter($texts, fn (string $text) => preg_match('/\d.*[.,]|[.,].*\d/u', $text) === 1));
        // The one with most marks shows most.
        usort($marked, fn (string $one, string $two) => preg_match_all('/[.,]/', $two) <=> preg_match_all('/[.,]/', $one));
        $ways = [];
        // Where no mark stands there is nothing to choose, and nothing is counted.
        $values = $marked === [] ? [] : $values;
        foreach (['point' => '.', 'comma' => ','] as $name => $decimal) {
            $as = new FieldType($type->type, decimal: $decimal, currency: $type->currency);
            $kept = array_values(array_filter($values, fn (mixed $value) => ! $as->holds($as->value($value))));
            $read = $marked === [] ? null : $as->value($marked[0]);
            $ways[$name] = ['example' => $marked[0] ?? '', 'read' => is_int($read) || is_float($read) ? DatasetView::separated($read) : null, 'left' => count($kept), 'kept' => array_map(fn (mixed $value) => Cell::show($value), array_slice($kept, 0, self::EXAMPLES)), 'currency' => $type->currency];
        }
        $this->ways = $ways;
    }

    /**
     * Of a field that is no number but could be one: half of its first values can be read so, one way or the other.
     *
     * @param  list<mixed>  $values
     */
    public static function couldBe(array $values): bool
    {
        $first = array_slice($values, 0, self::LOOKED_AT);
        foreach (['.', ','] as $decimal) {
            if ($first !== [] && 2 * (new FieldType('number', decimal: $decimal))->misfits($first) <= count($first)) {
                return true;
            }
        }

        return false;
    }

    /** Whether there is something to choose: some value is read otherwise one way than the other. */
    public function differ(): bool
    {
        return $this->ways['point']['example'] !== '' && ($this->ways['point']['read'] !== $this->ways['comma']['read'] || $this->ways['point']['left'] !== $this->ways['comma']['left']);
    }
}

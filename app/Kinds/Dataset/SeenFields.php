<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use MistyAttic\Core\Kinds\Dataset\FieldType;
use MistyAttic\Core\Kinds\Dataset\Source;

/** What the fields of something that is to be taken in seem to be, and what they are once somebody said. */
final readonly class SeenFields
{
    /** @var array<string, FieldType> by field */
    public array $types;

    /** @var array<string, ReadingWays> by field, of those whose texts can be read in several ways */
    public array $ways;

    public function __construct(Source $source)
    {
        $types = $source->types();
        $ways = [];
        foreach ($types as $field => $type) {
            $values = $source->values((string) $field);
            $asked = $source->isKnown((string) $field) ? null : ReadingWays::asked($type, $values);
            if ($asked !== null) {
                $ways[$field] = new ReadingWays($values, $asked);
                // Days of which only the month is in doubt are days.
                $types[$field] = $asked->type === 'date' && $ways[$field]->isAllRead() ? $asked : $type;
            }
        }
        $this->types = $types;
        $this->ways = $ways;
    }

    /**
     * @param  array<string, mixed>  $sent  see {@see MakeDatasetRequest}
     * @return array<string, FieldType>
     */
    public static function said(Source $source, array $sent): array
    {
        $types = $source->types();
        foreach ($types as $field => $seen) {
            $types[$field] = $source->isKnown((string) $field)
                ? $seen
                : $seen->asked(
                    $sent['types'][$field] ?? $seen->type,
                    $source->values((string) $field),
                    $sent['decimals'][$field] ?? null,
                    $sent['days'][$field] ?? null,
                );
        }

        return $types;
    }
}

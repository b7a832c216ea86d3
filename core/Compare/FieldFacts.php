<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Cell;

/** What to say about the fields of a part that are no texts: of several that changed, the one that tells most. */
final class FieldFacts
{
    /** Where something stands and how large it is: one thing to a person. */
    private const PLACE = ['x', 'y', 'across', 'down', 'width', 'height'];

    /**
     * @param  array<string, string|int>  $values  gets `field`, `was` and `is` as they are shown, and how many `others` changed
     * @return string the statement's code
     */
    public static function of(Part $before, Part $after, array &$values): string
    {
        $fields = $before->differing($after);
        $names = array_values(array_intersect(['title', 'name', 'label'], $fields));
        if ($names !== []) {
            $values = ['was' => self::show($before->string($names[0])), 'is' => self::show($after->string($names[0]))];

            return $values['was'] === '' ? 'named' : ($values['is'] === '' ? 'nameless' : 'renamed');
        }
        $rest = array_values(array_diff($fields, self::PLACE));
        if ($rest === []) {
            return isset($after->fields['x']) ? 'resized' : 'width_set';
        }
        $field = in_array('value', $rest, true) ? 'value' : $rest[0];
        if (in_array($field, ['level', 'style', 'head'], true)) {
            return 'set';
        }
        $was = $before->fields[$field] ?? null;
        $is = $after->fields[$field] ?? null;
        $values = ['field' => $field, 'was' => self::show($was), 'is' => self::show($is), 'others' => count($rest) - 1];

        return match (true) {
            is_bool($was ?? $is) => $is === true ? 'switched_on' : 'switched_off',
            $field === 'value' || $field === 'choices' => $was === null ? 'answered' : ($is === null ? 'unanswered' : 'changed_answer'),
            $values['was'] === '' => 'set_field',
            $values['is'] === '' => 'unset_field',
            default => 'changed_field',
        };
    }

    private static function show(mixed $value): string
    {
        $shown = match (true) {
            $value instanceof RichText => $value->text(),
            is_array($value) && ! in_array($value[0] ?? '', ['=', 'd', '!', '*'], true) => implode(', ', array_map(strval(...), $value)),
            default => Cell::show($value),
        };

        return mb_strlen($shown) > 60 ? mb_substr($shown, 0, 59).'…' : $shown;
    }
}

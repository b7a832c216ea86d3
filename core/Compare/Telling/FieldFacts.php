<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Telling;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Cell;

/** What to say about the fields of a part that are no texts: of several that changed, the one that tells most. */
final class FieldFacts
{
    /** Letters of a value that are said. */
    private const MOST = 60;

    /** Where something is and how large it is: one thing to a person. */
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
        // What was chosen is said in the words it had.
        $field = array_values(array_intersect(['value', 'said'], $rest))[0] ?? $rest[0];
        if (in_array($field, ['level', 'style', 'head'], true)) {
            return 'set';
        }
        $was = $before->fields[$field] ?? null;
        $is = $after->fields[$field] ?? null;
        $values = [
            'field' => $field,
            'was' => self::show($was),
            'is' => self::show($is),
            'others' => count(array_diff($rest, ['choices'])) - ($rest === ['choices'] ? 0 : 1),
        ];

        return match (true) {
            is_bool($was ?? $is) && $field !== 'value' => $is === true ? 'switched_on' : 'switched_off',
            in_array($field, ['value', 'said', 'choices'], true) => $was === null
                ? 'answered'
                : ($is === null
                    ? 'unanswered'
                    : 'changed_answer'),
            $values['was'] === '' => 'set_field',
            $values['is'] === '' => 'unset_field',
            default => 'changed_field',
        };
    }

    /** Whether an answer in a text's own words is short enough on both ends to be said whole. */
    public static function isAnswer(RichText $old, RichText $new): bool
    {
        return $old->text() !== $new->text()
            && max(mb_strlen($old->text()), mb_strlen($new->text())) <= self::MOST
            && ! str_contains($old->text().$new->text(), "\n");
    }

    /**
     * @param  array<string, string|int>  $values
     */
    public static function answer(string $was, string $is, array &$values): string
    {
        $values = ['field' => 'value', 'was' => $was, 'is' => $is, 'others' => 0];

        return $was === '' ? 'answered' : ($is === '' ? 'unanswered' : 'changed_answer');
    }

    private static function show(mixed $value): string
    {
        $shown = match (true) {
            $value instanceof RichText => $value->text(),
            is_array($value) && ! in_array($value[0] ?? '', ['=', 'd', '!', '*'], true) => implode(
                ', ',
                array_map(fn (mixed $one): string => is_scalar($one) ? (string) $one : '', $value),
            ),
            default => Cell::show($value),
        };

        return mb_strlen($shown) > self::MOST ? mb_substr($shown, 0, self::MOST - 1).'…' : $shown;
    }
}

<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Form;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;

/** What nobody could answer, or make sense of, if a form was published as it is. */
final class Unready
{
    /** @return list<Problem> paths are ids; codes: empty_choice, no_choice, opens_late; each with the question's words */
    public static function of(PartTree $form): array
    {
        $problems = [];
        foreach ($form->parts as $part) {
            if ($part->role === FormRole::Settings->value) {
                $opening = new Opening($part);
                if (
                    $opening->date('opens') !== ''
                    && $opening->date('closes') !== ''
                    && $opening->date('opens') > $opening->date('closes')
                ) {
                    $problems[] = new Problem('opens_late', $part->id, [
                        'opens' => $opening->date('opens'),
                        'closes' => $opening->date('closes'),
                    ]);
                }
            } elseif ($part->role === FormRole::Question->value && in_array($part->string('type'), ['one', 'several', 'grid'], true)) {
                $below = array_map($form->get(...), $form->children()[$part->id] ?? []);
                $choices = array_filter(
                    $below,
                    fn (Part $choice) => in_array($choice->role, [FormRole::Choice->value, FormRole::Line->value], true),
                );
                $empty = array_filter(
                    $choices,
                    fn (Part $choice) => trim($choice->string('label')) === '' && ($choice->fields['other'] ?? false) !== true,
                );
                if ($empty !== [] || $choices === []) {
                    $problems[] = new Problem($choices === [] ? 'no_choice' : 'empty_choice', $part->id, [
                        'question' => mb_substr($part->richText()->text(), 0, 100),
                    ]);
                }
            }
        }

        return $problems;
    }
}

<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Entry;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Form\FormRole;

/**
 * The answers of an entry as a form sends them, and what an editor's sending makes of the entry: a field that was not touched is
 * not changed, whatever became of its question since.
 */
final class SentAnswers
{
    /**
     * @param  PartTree  $form  that asks them
     * @return array<string, mixed> see {@see Answers}
     */
    public static function of(PartTree $form, PartTree $entry): array
    {
        $sent = [];
        foreach ($entry->parts as $answer) {
            $choices = $answer->strings('choices');
            $asks = in_array($form->find($answer->id)?->string('type'), ['one', 'several', 'grid'], true);
            if ($choices !== [] && $asks && str_contains($choices[0], ':')) {
                $pairs = array_map(fn (string $pair) => explode(':', $pair, 2), $choices);
                $sent[$answer->id] = array_combine(array_column($pairs, 0), array_column($pairs, 1));
            } elseif ($choices !== [] && $asks) {
                $sent[$answer->id] = count($choices) === 1 ? $choices[0] : $choices;
                $sent["other-{$answer->id}"] = implode(', ', self::ownWords($form, $answer));
            } else {
                $value = $answer->fields['value'] ?? null;
                $sent[$answer->id] = is_bool($value) ? ($value ? 'yes' : 'no') : AnswerText::of($answer);
            }
        }

        return $sent;
    }

    /** @return list<string> what was said in a choice that asks for words of one's own */
    private static function ownWords(PartTree $form, Part $answer): array
    {
        $said = $answer->strings('said');

        return array_values(
            array_filter(
                array_map(
                    fn (string $choice, int $at): string => ($form->find($choice)?->fields['other'] ?? false) === true
                    && $form->get($choice)->string('label') !== ($said[$at] ?? '')
                        ? $said[$at] ?? ''
                        : '',
                    $answer->strings('choices'),
                    array_keys($answer->strings('choices')),
                ),
                fn (string $words) => $words !== '',
            ),
        );
    }

    /**
     * @param  PartTree  $base  the entry as it was opened
     * @param  array<array-key, mixed>  $sent  as above
     * @param  list<string>  $shown  questions that were shown, so that what was not sent of them was taken off
     * @return array<array-key, mixed> what was touched
     */
    public static function touched(PartTree $form, PartTree $base, array $sent, array $shown): array
    {
        $was = self::of($form, $base);
        $touched = [];
        foreach (
            array_unique([
                ...$shown,
                ...array_map(
                    fn (int|string $name) => str_starts_with((string) $name, 'other-') ? substr((string) $name, 6) : (string) $name,
                    array_keys($sent),
                ),
            ]) as $question
        ) {
            $own = "other-{$question}";
            $isOne = self::plain($sent[$question] ?? '') !== self::plain($was[$question] ?? '');
            if ($isOne || self::plain($sent[$own] ?? '') !== self::plain($was[$own] ?? '')) {
                $touched[$question] = $sent[$question] ?? '';
                $touched[$own] = $sent[$own] ?? '';
            }
        }

        return $touched;
    }

    /**
     * The entry with what was touched, and all else as it was and where it was; what was not answered before is behind the answer to the
     * question before it.
     *
     * @param  array<array-key, mixed>  $touched  see {@see touched()}
     * @param  Answers  $answers  that were read of what was touched
     */
    public static function into(PartTree $form, PartTree $base, array $touched, Answers $answers): PartTree
    {
        $given = $answers->entry()->byId();
        $parts = $base->byId();
        $before = null;
        foreach ($form->parts as $question) {
            if ($question->role !== FormRole::Question->value) {
                continue;
            }
            $isFile = ! isset($parts[$question->id]) && $question->string('type') === 'file';
            if (array_key_exists($question->id, $touched) || $isFile) {
                $parts = self::put($parts, $question->id, $given[$question->id] ?? null, $before);
            }
            $before = isset($parts[$question->id]) ? $question->id : $before;
        }

        return PartTree::of(array_values($parts));
    }

    /**
     * @param  array<string, Part>  $parts  by id
     * @param  string|null  $before  the id that a new one is behind, or at the beginning
     * @return array<string, Part>
     */
    private static function put(array $parts, string $id, ?Part $answer, ?string $before): array
    {
        if ($answer === null) {
            unset($parts[$id]);
        } elseif (isset($parts[$id])) {
            $parts[$id] = $answer;
        } else {
            $at = $before === null ? 0 : (int) array_search($before, array_map(strval(...), array_keys($parts)), true) + 1;
            $parts = array_slice($parts, 0, $at, true) + [$id => $answer] + array_slice($parts, $at, null, true);
        }

        return $parts;
    }

    /** The same answer sent in another way is the same. */
    private static function plain(mixed $sent): string
    {
        if (is_array($sent)) {
            $sent = array_filter($sent, fn (mixed $one) => is_string($one) && $one !== '');
            if (array_is_list($sent)) {
                sort($sent);
            } else {
                ksort($sent);
            }
            $sent = count($sent) === 1 && array_is_list($sent) ? $sent[0] : ($sent === [] ? '' : (string) json_encode($sent));
        }

        return is_string($sent) ? trim((string) preg_replace('/\r\n?/', "\n", $sent)) : '';
    }
}

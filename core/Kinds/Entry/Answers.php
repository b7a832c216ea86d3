<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Entry;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Form\Flow;
use MistyAttic\Core\Kinds\Form\FormRole;

/**
 * Reads what somebody sent as the answers to a form, and finds all that is wrong with it. Only questions that the skip rules lead
 * to are looked at; what was sent for others, or for questions and choices that are not there, is left out.
 */
final class Answers
{
    /** Characters of a short and of a long answer. */
    public const SHORT = 500;

    public const LONG = 20_000;

    private const SCALE = [1, 5];

    /**
     * @var list<Problem> paths are the ids of questions; codes: required, too_long, too_short, choice, too_many, too_few, number,
     *     number_unclear, too_small, too_large, date, time, email, file
     */
    public array $problems = [];

    /** @var array<string, Part> by question */
    private array $given = [];

    /**
     * @param  array<array-key, mixed>  $sent  question => text, choice, list of choices, or line => choice; `other-QUESTION` => own words
     * @param  array<string, array{string, string}>  $files  question => chunk in hexadecimal and name; both empty when it could not be
     *     taken
     */
    public function __construct(private readonly PartTree $form, private readonly array $sent, private readonly array $files = [])
    {
        $flow = new Flow($form);
        foreach ($flow->questions as $question) {
            $answer = $this->answer($question);
            if ($answer !== null) {
                $this->given[$question->id] = $answer;
            }
        }
        $walk = $flow->walk($this->given);
        $this->given = array_intersect_key($this->given, array_flip($walk->questions));
        $this->problems = array_values(array_filter($this->problems, fn (Problem $problem) => $walk->asks($problem->path)));
        foreach ($walk->questions as $id) {
            $wrong = array_filter($this->problems, fn (Problem $problem) => $problem->path === $id) !== [];
            if (
                ($form->get($id)->fields['required'] ?? false) === true
                && $form->get($id)->string('type') !== 'note'
                && ! isset($this->given[$id])
                && ! $wrong
            ) {
                $this->problems[] = new Problem('required', $id);
            }
        }
    }

    /** The answers as an entry, in the order of the questions. */
    public function entry(): PartTree
    {
        return PartTree::of(array_values($this->given));
    }

    private function answer(Part $question): ?Part
    {
        $sent = $this->sent[$question->id] ?? null;
        $text = is_string($sent) ? trim(str_replace("\r\n", "\n", $sent)) : '';

        return match ($question->string('type')) {
            'short' => $this->text($question, $text, self::SHORT),
            'long' => $this->text($question, $text, self::LONG),
            'email' => $this->checked(
                $question,
                $text,
                'email',
                filter_var($text, FILTER_VALIDATE_EMAIL) !== false && mb_strlen($text) <= 254,
            ),
            'date' => $this->date($question, $text),
            'time' => $this->checked($question, $text, 'time', preg_match('/^([01]\d|2[0-3]):[0-5]\d$/', $text) === 1),
            'number' => $this->number($question, $text),
            'scale' => $this->scale($question, $text),
            'yes_no' => in_array($text, ['yes', 'no'], true)
                ? $this->part($question, ['value' => $text === 'yes'])
                : ($text === ''
                    ? null
                    : $this->wrong('choice', $question)),
            'one' => $this->choices($question, $text === '' ? [] : [$text]),
            'several' => $this->choices(
                $question,
                is_array($sent) ? array_values(array_filter($sent, is_string(...))) : ($text === '' ? [] : [$text]),
            ),
            'grid' => $this->grid($question, is_array($sent) ? $sent : []),
            'file' => isset($this->files[$question->id])
                ? ($this->files[$question->id][0] === ''
                    ? $this->wrong('file', $question)
                    : $this->part($question, ['value' => $this->files[$question->id][1], 'chunk' => $this->files[$question->id][0]]))
                : null,
            default => null,
        };
    }

    private function text(Part $question, string $text, int $bound): ?Part
    {
        $length = mb_strlen($text);
        $most = min($bound, (int) (self::bound($question, 'most') ?? $bound));
        $least = (int) (self::bound($question, 'least') ?? 0);

        return match (true) {
            $text === '' => null,
            ! mb_check_encoding($text, 'UTF-8') || $length > $most => $this->wrong('too_long', $question, ['most' => $most]),
            $length < $least => $this->wrong('too_short', $question, ['least' => $least]),
            $question->string('type') === 'long' => $this->part($question, ['text' => RichText::plain($text)]),
            default => $this->part($question, ['value' => (string) preg_replace('/\s+/u', ' ', $text)]),
        };
    }

    private function checked(Part $question, string $text, string $code, bool $isRight): ?Part
    {
        return $text === '' ? null : ($isRight ? $this->part($question, ['value' => $text]) : $this->wrong($code, $question));
    }

    private function date(Part $question, string $text): ?Part
    {
        return $text === ''
            ? null
            : (Cell::isDate($text)
                ? $this->part($question, ['value' => ['d', $text]])
                : $this->wrong('date', $question));
    }

    private function number(Part $question, string $text): ?Part
    {
        $plain = self::plainNumber($text);
        [$least, $most] = [self::bound($question, 'least'), self::bound($question, 'most')];

        return match (true) {
            $text === '' => null,
            $plain === null => $this->wrong('number_unclear', $question, [
                'one' => str_replace(',', '', $text),
                'two' => str_replace(',', '.', $text),
            ]),
            ! is_numeric($plain) || ! is_finite((float) $plain) || strlen($plain) > 30 => $this->wrong('number', $question),
            $least !== null && (float) $plain < $least => $this->wrong('too_small', $question, ['least' => (string) $least]),
            $most !== null && (float) $plain > $most => $this->wrong('too_large', $question, ['most' => (string) $most]),
            default => $this->part($question, ['value' => Cell::number($plain + 0)]),
        };
    }

    /**
     * A number as people write it, with spaces between thousands and a point or a comma before decimals.
     *
     * @return string|null null when it can be read in two ways, as “1,500” can
     */
    public static function plainNumber(string $text): ?string
    {
        $text = str_replace([' ', "\u{202f}", "\u{a0}", "\u{2009}", "'", '’'], '', $text);
        [$commas, $points] = [substr_count($text, ','), substr_count($text, '.')];

        return match (true) {
            $commas === 0 => $points > 1 && preg_match('/^-?\d{1,3}(\.\d{3})+$/', $text) === 1 ? str_replace('.', '', $text) : $text,
            // The sign that is last, and once, is the decimal one.
            $points > 0 => strrpos($text, ',') > strrpos($text, '.') && $commas === 1
                ? str_replace(['.', ','], ['', '.'], $text)
                : ($points === 1
                    ? str_replace(',', '', $text)
                    : $text),
            $commas > 1 => preg_match('/^-?\d{1,3}(,\d{3})+$/', $text) === 1 ? str_replace(',', '', $text) : $text,
            preg_match('/^-?[1-9]\d{0,2},\d{3}$/', $text) === 1 => null,
            default => str_replace(',', '.', $text),
        };
    }

    private function scale(Part $question, string $text): ?Part
    {
        [$least, $most] = self::scaleOf($question);

        return $text === ''
            ? null
            : (ctype_digit(ltrim($text, '-')) && (int) $text >= $least && (int) $text <= $most
                ? $this->part($question, ['value' => (int) $text])
                : $this->wrong('choice', $question));
    }

    /** @return array{int, int} from, to */
    public static function scaleOf(Part $question): array
    {
        $least = (int) (self::bound($question, 'least') ?? self::SCALE[0]);
        $most = (int) (self::bound($question, 'most') ?? self::SCALE[1]);

        return [$least, max($least + 1, min($most, $least + 10))];
    }

    private static function bound(Part $question, string $field): int|float|null
    {
        $bound = $question->fields[$field] ?? null;

        return is_int($bound) || is_float($bound) ? $bound : null;
    }

    /** @param list<string> $chosen */
    private function choices(Part $question, array $chosen): ?Part
    {
        $ids = $said = [];
        foreach ($this->below($question, FormRole::Choice) as $choice) {
            if (! in_array($choice->id, $chosen, true)) {
                continue;
            }
            $own = $this->sent["other-{$question->id}"] ?? '';
            $words = ($choice->fields['other'] ?? false) === true && is_string($own)
                ? mb_substr(trim((string) preg_replace('/\s+/u', ' ', $own)), 0, self::SHORT)
                : '';
            $ids[] = $choice->id;
            $said[] = $words === '' ? $choice->string('label') : $words;
        }
        $isSeveral = $question->string('type') === 'several';
        [$least, $most] = [self::bound($question, 'least'), self::bound($question, 'most')];

        return match (true) {
            count($ids) < count(array_unique($chosen)) => $this->wrong('choice', $question),
            $ids === [] => null,
            $isSeveral && $most !== null && count($ids) > $most => $this->wrong('too_many', $question, ['most' => (int) $most]),
            $isSeveral && $least !== null && count($ids) < $least => $this->wrong('too_few', $question, ['least' => (int) $least]),
            default => $this->part($question, ['choices' => $ids, 'said' => $said]),
        };
    }

    /** @param array<array-key, mixed> $sent line => choice */
    private function grid(Part $question, array $sent): ?Part
    {
        $columns = [];
        foreach ($this->below($question, FormRole::Choice) as $choice) {
            $columns[$choice->id] = $choice->string('label');
        }
        $ids = $said = [];
        foreach ($this->below($question, FormRole::Line) as $line) {
            $chosen = $sent[$line->id] ?? '';
            if (is_string($chosen) && isset($columns[$chosen])) {
                $ids[] = "{$line->id}:{$chosen}";
                $said[] = "{$line->string('label')}: {$columns[$chosen]}";
            } elseif ($chosen !== '') {
                return $this->wrong('choice', $question);
            } elseif (($question->fields['required'] ?? false) === true && array_filter($sent) !== []) {
                return $this->wrong('too_few', $question, ['least' => count($this->below($question, FormRole::Line))]);
            }
        }

        return $ids === [] ? null : $this->part($question, ['choices' => $ids, 'said' => $said]);
    }

    /** @return list<Part> */
    private function below(Part $question, FormRole $role): array
    {
        return array_values(
            array_filter(
                array_map($this->form->get(...), $this->form->children()[$question->id] ?? []),
                fn (Part $part) => $part->role === $role->value,
            ),
        );
    }

    /** @param array<string, RichText|string|int|float|bool|list<string>|array{string, string}> $fields */
    private function part(Part $question, array $fields): Part
    {
        return new Part(
            $question->id,
            EntryRole::Answer->value,
            0,
            ['label' => mb_substr($question->richText()->text(), 0, 300)] + $fields,
        );
    }

    /** @param array<string, string|int> $variables */
    private function wrong(string $code, Part $question, array $variables = []): null
    {
        $this->problems[] = new Problem($code, $question->id, $variables);

        return null;
    }
}

<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Form;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Entry\AnswerText;

/**
 * The way through a form. Questions are asked in their order. A skip rule looks at the answer to the question that it is
 * below: the first `go` or `end` that fits decides how it goes on; a `show` makes its target wait for a rule that fits, and a `hide`
 * leaves it out. A page as a target stands for its first question to go to, and for all of them to show or hide.
 */
final class Flow
{
    /** @var list<Part> the questions in the order in which they are asked */
    public readonly array $questions;

    /** @var array<string, int> question => its number from 0 */
    private array $at = [];

    /** @var array<string, list<Part>> question => its rules */
    private array $rules = [];

    /** @var array<string, array<string, true>> target question => the questions with a `show` for it */
    private array $shownBy = [];

    public function __construct(private readonly PartTree $form)
    {
        $questions = [];
        foreach ($form->parts as $part) {
            if ($part->role === FormRole::Question->value) {
                $this->at[$part->id] = count($questions);
                $questions[] = $part;
            } elseif ($part->role === FormRole::Rule->value) {
                $this->rules[$form->parent($part->id)][] = $part;
            }
        }
        $this->questions = $questions;
        foreach ($this->rules as $question => $rules) {
            foreach ($rules as $rule) {
                foreach ($rule->string('action') === 'show' ? $this->targets($rule) : [] as $target) {
                    if ($this->at[$target] > ($this->at[$question] ?? -1)) {
                        $this->shownBy[$target][$question] = true;
                    }
                }
            }
        }
    }

    /** @param array<string, Part> $answers the answers of an entry, by question */
    public function walk(array $answers): Walk
    {
        $asked = [];
        $shown = $hidden = [];
        for ($at = 0; $at < count($this->questions); $at = $next) {
            $next = $at + 1;
            $id = $this->questions[$at]->id;
            if (isset($hidden[$id]) || (isset($this->shownBy[$id]) && ! isset($shown[$id]))) {
                continue;
            }
            $asked[] = $id;
            $decided = false;
            foreach ($this->rules[$id] ?? [] as $rule) {
                $action = $rule->string('action');
                if (($decided && in_array($action, ['go', 'end'], true)) || ! self::fits($rule, $answers[$id] ?? null)) {
                    continue;
                }
                if ($action === 'end') {
                    return new Walk($asked, true);
                }
                if ($action === 'go') {
                    $to = $this->goal($rule);
                    $decided = $to !== null && $to > $at;
                    $next = $decided ? (int) $to : $next;
                } else {
                    foreach ($this->targets($rule) as $target) {
                        $action === 'show' ? $shown[$target] = true : $hidden[$target] = true;
                    }
                }
            }
        }

        return new Walk($asked, false);
    }

    /** @return list<Arrow> every way that there is */
    public function arrows(): array
    {
        $arrows = [];
        foreach ($this->questions as $at => $question) {
            if (! $this->isDecided($question)) {
                $arrows[] = new Arrow($question->id, ($this->questions[$at + 1] ?? null)?->id);
            }
            foreach ($this->rules[$question->id] ?? [] as $rule) {
                $to = $this->goal($rule);
                if ($rule->string('action') === 'end') {
                    $arrows[] = new Arrow($question->id, null, $rule->id);
                } elseif ($rule->string('action') === 'go' && $to !== null) {
                    $arrows[] = new Arrow($question->id, $this->questions[$to]->id, $rule->id);
                }
            }
        }

        return $arrows;
    }

    /** @return list<FlowProblem> in the order of the questions */
    public function problems(): array
    {
        $reached = $this->reached();
        $problems = [];
        foreach ($this->questions as $at => $question) {
            if (! isset($reached[$question->id])) {
                $problems[] = new FlowProblem('unreachable', $question->id);
            }
            foreach ($this->rules[$question->id] ?? [] as $rule) {
                $code = $this->wrong($rule, $at, $question);
                if ($code !== null) {
                    $target = $rule->string('target');
                    $problems[] = new FlowProblem($code, $question->id, $rule->id, $this->form->has($target) ? $target : null);
                }
            }
        }

        return $problems;
    }

    /** @return 'circle'|'too_late'|'gone'|'choice_gone'|'empty_page'|null */
    private function wrong(Part $rule, int $at, Part $question): ?string
    {
        $action = $rule->string('action');
        $value = $rule->string('value');
        $asksChoice = in_array($question->string('type'), ['one', 'several'], true);
        // Of a question that was one of choices, they are below it still, out of sight.
        if (in_array($rule->string('when'), ['is', 'is_not', 'contains'], true) && $this->isChoice($question, $value) !== $asksChoice) {
            return 'choice_gone';
        }
        if ($action === 'end') {
            return null;
        }
        $target = $this->form->find($rule->string('target'));
        if ($target === null || ! in_array($target->role, [FormRole::Question->value, FormRole::Page->value], true)) {
            return 'gone';
        }
        $targets = $this->targets($rule);
        if ($targets === []) {
            return 'empty_page';
        }
        $first = min(array_map(fn (string $id): int => $this->at[$id], $targets));

        return match (true) {
            $first > $at => null,
            $action === 'go' => 'circle',
            // A page may be shown or hidden from its own middle on.
            max(array_map(fn (string $id): int => $this->at[$id], $targets)) > $at && $target->role === FormRole::Page->value => null,
            default => 'too_late',
        };
    }

    private function isChoice(Part $question, string $value): bool
    {
        return $this->form->has($value) && $this->form->parent($value) === $question->id;
    }

    /** @return array<string, true> the questions that some answers lead to */
    private function reached(): array
    {
        $ways = [];
        foreach ($this->arrows() as $arrow) {
            if ($arrow->to !== null && $this->at[$arrow->to] > $this->at[$arrow->from]) {
                $ways[$arrow->from][] = $arrow->to;
            }
        }
        $reached = [];
        $open = $this->questions === [] ? [] : [$this->questions[0]->id];
        while ($open !== []) {
            $id = array_pop($open);
            if (! isset($reached[$id])) {
                $reached[$id] = true;
                array_push($open, ...$ways[$id] ?? []);
            }
        }
        // What only waits for questions that nobody reaches is reached by nobody.
        foreach ($this->questions as $question) {
            if (isset($this->shownBy[$question->id]) && array_intersect_key($this->shownBy[$question->id], $reached) === []) {
                unset($reached[$question->id]);
            }
        }

        return $reached;
    }

    /** Whether every answer that may be given has a rule that decides, so that nobody goes on to the next question from here. */
    private function isDecided(Part $question): bool
    {
        $choices = match ($question->string('type')) {
            'one' => array_column(
                array_filter(
                    array_map($this->form->get(...), $this->form->children()[$question->id] ?? []),
                    fn (Part $part) => $part->role === FormRole::Choice->value,
                ),
                'id',
            ),
            'yes_no' => ['yes', 'no'],
            default => [],
        };
        $decided = [];
        foreach ($this->rules[$question->id] ?? [] as $rule) {
            $goes = $rule->string('action') === 'end'
            || ($rule->string('action') === 'go' && ($this->goal($rule) ?? -1) > $this->at[$question->id]);
            $when = $rule->string('when');
            if ($goes && $when === 'answered') {
                $decided = array_fill_keys($choices, true);
            } elseif ($goes && $when === 'is') {
                $decided[$rule->string('value')] = true;
            } elseif ($goes && $when === 'is_not') {
                $decided += array_fill_keys(array_diff($choices, [$rule->string('value')]), true);
            }
        }

        return ($question->fields['required'] ?? false) === true && $choices !== [] && array_diff($choices, array_keys($decided)) === [];
    }

    /** The number of the question that a rule goes to. */
    private function goal(Part $rule): ?int
    {
        $targets = $this->targets($rule);

        return $targets === [] ? null : $this->at[$targets[0]];
    }

    /** @return list<string> the questions that a rule is about */
    private function targets(Part $rule): array
    {
        $target = $rule->string('target');

        return match (true) {
            isset($this->at[$target]) => [$target],
            $this->form->find($target)?->role === FormRole::Page->value => array_values(
                array_filter($this->form->children()[$target] ?? [], fn (string $id) => isset($this->at[$id])),
            ),
            default => [],
        };
    }

    private static function fits(Part $rule, ?Part $answer): bool
    {
        if ($answer === null) {
            return false;
        }
        $value = AnswerText::of($answer);
        $choices = $answer->strings('choices');
        $given = $value !== '' || $choices !== [] || $answer->string('chunk') !== '';
        $wanted = $rule->string('value');
        $is = in_array($wanted, $choices, true) || ($choices === [] && mb_strtolower($value) === mb_strtolower($wanted));

        return $given && match ($rule->string('when')) {
            'is' => $is,
            'is_not' => ! $is,
            'contains' => in_array($wanted, $choices, true) || ($choices === [] && $wanted !== '' && mb_stripos($value, $wanted) !== false),
            'above' => self::compare($value, $wanted) > 0,
            'below' => self::compare($value, $wanted) < 0,
            default => true,
        };
    }

    private static function compare(string $one, string $two): int
    {
        return is_numeric($one) && is_numeric($two) ? (float) $one <=> (float) $two : strcmp($one, $two);
    }
}

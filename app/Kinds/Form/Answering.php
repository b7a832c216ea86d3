<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Kinds\Entry\Answers;
use MistyAttic\Core\Kinds\Form\Flow;
use MistyAttic\Core\Kinds\Form\FormRole;

/**
 * A form on its way through being answered, page by page and without scripts: what was sent so far comes along with each page. The
 * page shown is the first with a question that is asked and was not seen yet, or with an answer that is not right.
 */
final class Answering
{
    public readonly Answers $answers;

    /** The page to show; null when nothing is missing any more. */
    public readonly ?Part $page;

    /** @var list<Part> the questions to show */
    public readonly array $questions;

    /** Of how many pages this is which, counting those that the answers so far lead to. */
    public readonly int $at;

    public readonly int $of;

    /** The page before, to go back to. */
    public readonly ?string $back;

    /** @var array<string, Problem> by question */
    public array $problems = [];

    /**
     * @param  array<array-key, mixed>  $sent  what was answered so far, see {@see Answers}
     * @param  list<string>  $seen  questions that were shown
     * @param  array<string, array{string, string}>  $files
     * @param  string|null  $wanted  the page to go back to
     */
    public function __construct(
        public readonly PartTree $form,
        public readonly array $sent,
        public readonly array $seen,
        public readonly array $files = [],
        ?string $wanted = null,
    ) {
        $this->answers = new Answers($form, $sent, $files);
        $walk = (new Flow($form))->walk($this->answers->entry()->byId());
        foreach ($this->answers->problems as $problem) {
            if (in_array($problem->path, $seen, true)) {
                $this->problems[$problem->path] ??= $problem;
            }
        }
        $pages = [];
        foreach ($walk->questions as $id) {
            $pages[$form->parent($id)][] = $form->get($id);
        }
        $page = null;
        foreach ($pages as $id => $questions) {
            $isOpen = array_filter(
                $questions,
                fn (Part $question) => ! in_array($question->id, $seen, true) || isset($this->problems[$question->id]),
            ) !== [];
            if ($id === $wanted || ($wanted === null && $isOpen)) {
                $page = $id;
                break;
            }
        }
        $order = array_keys($pages);
        $this->page = $page === null ? null : $form->get((string) $page);
        $this->questions = $page === null ? [] : $pages[$page];
        $this->at = $page === null ? count($pages) : (int) array_search($page, $order, true) + 1;
        $this->of = count($pages);
        $this->back = $this->at > 1 && $page !== null ? (string) $order[$this->at - 2] : null;
    }

    public function settings(): ?Part
    {
        foreach ($this->form->parts as $part) {
            if ($part->role === FormRole::Settings->value) {
                return $part;
            }
        }

        return null;
    }

    /** @return list<Part> */
    public function below(Part $question, string $role): array
    {
        return array_values(
            array_filter(
                array_map($this->form->get(...), $this->form->children()[$question->id] ?? []),
                fn (Part $part) => $part->role === $role,
            ),
        );
    }

    /** The ids of what is said beside a question: its help, and what is wrong. */
    public function describedBy(Part $question, ?string $wrong): string
    {
        return implode(
            ' ',
            array_filter([$question->string('help') === '' ? '' : "h-{$question->id}", $wrong === null ? '' : "w-{$question->id}"]),
        );
    }

    /** Whether nothing has to be said about it: it has to be answered, or says in its own words that it need not. */
    public function saysWhetherItMust(Part $question): bool
    {
        return ($question->fields['required'] ?? false) === true
            || mb_stripos($question->richText()->text(), (string) __('views/kinds/form.ask.if_you_like')) !== false;
    }

    public function sent(string $name): string
    {
        $sent = $this->sent[$name] ?? '';

        return is_string($sent) ? $sent : '';
    }

    public function isChosen(string $question, string $choice, ?string $line = null): bool
    {
        $sent = $this->sent[$question] ?? [];

        return $line !== null
            ? is_array($sent) && ($sent[$line] ?? '') === $choice
            : $sent === $choice || (is_array($sent) && in_array($choice, $sent, true));
    }

    /**
     * What was sent for other pages, as fields that come along unseen.
     *
     * @return list<array{string, string}> name, value
     */
    public function carried(): array
    {
        $shown = array_column($this->questions, 'id');
        $fields = array_map(fn (string $id) => ['seen[]', $id], array_values(array_unique([...$this->seen, ...$shown])));
        foreach ($this->sent as $name => $value) {
            $question = str_starts_with((string) $name, 'other-') ? substr((string) $name, 6) : (string) $name;
            // What is not asked for any more comes along too: it is said at the end what became of it.
            if (in_array($question, $shown, true) || preg_match('/^[A-Za-z0-9_-]{1,24}$/D', $question) !== 1) {
                continue;
            }
            foreach (is_array($value) ? $value : ['' => $value] as $key => $one) {
                if (is_string($one)) {
                    $fields[] = [is_array($value) ? "a[{$name}][".(is_int($key) ? '' : $key).']' : "a[{$name}]", $one];
                }
            }
        }
        foreach ($this->files as $question => [$chunk, $name]) {
            if ($chunk !== '') {
                $fields[] = ["file[{$question}]", self::seal($chunk, $name)];
            }
        }

        return $fields;
    }

    /** @return array{int, int} */
    public function scale(Part $question): array
    {
        return Answers::scaleOf($question);
    }

    public function wrong(string $question): ?string
    {
        $problem = $this->problems[$question] ?? null;

        return $problem === null ? null : (string) __("form.wrong.{$problem->code}", array_map(strval(...), $problem->variables));
    }

    /** A file that was taken already, so that nobody can name one that they did not send. */
    public static function seal(string $chunk, string $name): string
    {
        return encrypt([$chunk, $name]);
    }
}

<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\Picture;
use App\Store\States;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Entry\AnswerText;
use MistyAttic\Core\Kinds\Form\Flow;

/** An entry to be read and edited: the questions of the newest form with its answers, then answers to questions that are gone. */
final class EntryView
{
    public readonly PartTree $entry;

    public readonly Answering $answering;

    /** @var list<Part> answers to questions that the form does not ask any more */
    public readonly array $gone;

    public function __construct(public readonly Item $item, States $states)
    {
        $this->entry = $states->tree($item->root);
        $form = $states->tree($item->form->root ?? throw new \LogicException('An entry has a form'));
        $asked = array_column((new Flow($form))->questions, 'id');
        $this->answering = new Answering($form, $this->sent(), $asked, $this->files());
        $this->gone = array_values(array_filter($this->entry->parts, fn (Part $answer) => ! in_array($answer->id, $asked, true)));
    }

    /** Whether the file of an answer is a picture, which can be shown. */
    public function isPicture(string $question): bool
    {
        return Picture::query()->where(['item_id' => $this->item->form_id, 'chunk' => $this->answering->files[$question][0]])->value('type') !== 'application/pdf';
    }

    /** @return list<Part> */
    public function questions(): array
    {
        return array_values(array_filter((new Flow($this->answering->form))->questions, fn (Part $question) => $question->string('type') !== 'note'));
    }

    /** @return array<string, mixed> the answers as a form would send them */
    private function sent(): array
    {
        $sent = [];
        foreach ($this->entry->parts as $answer) {
            $choices = $answer->strings('choices');
            if ($choices !== [] && str_contains($choices[0], ':')) {
                $pairs = array_map(fn (string $pair) => explode(':', $pair, 2), $choices);
                $sent[$answer->id] = array_combine(array_column($pairs, 0), array_column($pairs, 1));
            } elseif ($choices !== []) {
                $sent[$answer->id] = count($choices) === 1 ? $choices[0] : $choices;
                $sent["other-{$answer->id}"] = implode(', ', $answer->strings('said'));
            } else {
                $value = $answer->fields['value'] ?? null;
                $sent[$answer->id] = is_bool($value) ? ($value ? 'yes' : 'no') : AnswerText::of($answer);
            }
        }

        return $sent;
    }

    /** @return array<string, array{string, string}> */
    private function files(): array
    {
        $files = [];
        foreach ($this->entry->parts as $answer) {
            if ($answer->string('chunk') !== '') {
                $files[$answer->id] = [$answer->string('chunk'), AnswerText::of($answer)];
            }
        }

        return $files;
    }
}

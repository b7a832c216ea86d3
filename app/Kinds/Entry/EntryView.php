<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Kinds\Form\Answering;
use App\Models\Item;
use App\Models\Picture;
use App\Store\States;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Entry\AnswerText;
use MistyAttic\Core\Kinds\Entry\AskedForm;
use MistyAttic\Core\Kinds\Entry\SentAnswers;
use MistyAttic\Core\Kinds\Form\Flow;

/** An entry to be read and edited: the questions of the form as it is live with its answers, then answers to questions that are gone. */
final class EntryView
{
    public readonly PartTree $entry;

    /** The newest state: what somebody only proposes is no part of it yet. */
    public readonly PartTree $newest;

    public readonly Answering $answering;

    /** @var list<Part> answers to questions that the form does not ask any more */
    public readonly array $gone;

    /**
     * @param  array<array-key, mixed>|null  $sent  what was typed already, instead of what is there
     * @param  PartTree|null  $shown  with what the person proposed for it; else the newest state
     */
    public function __construct(public readonly Item $item, States $states, ?array $sent = null, ?PartTree $shown = null)
    {
        $this->newest = $states->tree($item->root);
        $this->entry = $shown ?? $this->newest;
        $form = $item->form ?? throw new \LogicException('An entry has a form');
        $live = $states->tree($form->live->version->root ?? $form->root);
        $then = $item->asked?->version->root;
        $asked = AskedForm::of($live, $then === null ? $live : $states->tree($then), $this->entry);
        $questions = array_column((new Flow($asked))->questions, 'id');
        $this->answering = new Answering($asked, $sent ?? SentAnswers::of($asked, $this->entry), $questions, $this->files());
        $this->gone = array_values(array_filter($this->entry->parts, fn (Part $answer) => ! in_array($answer->id, $questions, true)));
    }

    /** Whether the file of an answer is a picture, which can be shown. */
    public function isPicture(string $question): bool
    {
        return Picture::query()
            ->where(['item_id' => $this->item->form_id, 'chunk' => $this->answering->files[$question][0]])
            ->value('type') !== 'application/pdf';
    }

    /** @return list<Part> */
    public function questions(): array
    {
        return array_values(
            array_filter((new Flow($this->answering->form))->questions, fn (Part $question) => $question->string('type') !== 'note'),
        );
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

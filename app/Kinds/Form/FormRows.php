<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\View\Block;

/** A form looked back at, question by question. */
final class FormRows
{
    /** @var list<FormRow> */
    public array $rows = [];

    private int $number = 0;

    private int $same = 0;

    /** @param list<Block> $blocks settings and pages, with what is below them */
    public function __construct(array $blocks, private readonly bool $changedOnly)
    {
        foreach ($blocks as $block) {
            if ($block->role() !== 'settings') {
                continue;
            }
            $this->add(new FormRow($block), $block->changed());
        }
        foreach ($blocks as $block) {
            if ($block->role() === 'settings') {
                continue;
            }
            $this->add(new FormRow($block), $block->changed());
            foreach ($block->children as $question) {
                $this->number += $question->removed() ? 0 : 1;
                $changed = $question->changed() || array_filter($question->children, fn (Block $below) => $below->changed()) !== [];
                $this->same += $changed || ! $this->changedOnly ? 0 : 1;
                $this->add(new FormRow($question, $this->number), $changed);
            }
        }
        $this->gap();
    }

    /**
     * The answers of an entry, one below the other.
     *
     * @param  list<Block>  $blocks
     * @return list<FormRow>
     */
    public static function flat(array $blocks, bool $changedOnly): array
    {
        $self = new self([], $changedOnly);
        foreach ($blocks as $block) {
            $self->same += $block->changed() || ! $changedOnly ? 0 : 1;
            $self->add(new FormRow($block), $block->changed());
        }
        $self->gap();

        return $self->rows;
    }

    private function add(FormRow $row, bool $changed): void
    {
        if ($changed || ! $this->changedOnly) {
            $this->gap();
            $this->rows[] = $row;
        }
    }

    private function gap(): void
    {
        if ($this->same > 0) {
            $this->rows[] = new FormRow(null, $this->same);
            $this->same = 0;
        }
    }
}

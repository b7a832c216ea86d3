<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\View\Block;
use App\View\Settings\Settings;
use App\Words\Days;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Entry\AnswerText;

/** One thing of a form looked back at: its settings, a page, a question, or a stretch of questions that are the same. */
final readonly class FormRow
{
    /**
     * @param  Block|null  $block  null for questions left out
     * @param  int  $count  the number of the question, or how many are left out
     */
    public function __construct(public ?Block $block, public int $count = 0) {}

    public function isQuestion(): bool
    {
        return $this->block?->role() === 'question';
    }

    /**
     * What it is set to, as it was when that was other, and as it is.
     *
     * @return list<array{string, string|null, string}> name, was, is
     */
    public function settings(): array
    {
        if ($this->block === null) {
            return [];
        }
        $part = $this->block->part();
        $before = $this->block->marked->before;
        $settings = [];
        foreach (array_unique([...array_keys($part->fields), ...array_keys($before->fields ?? [])]) as $field) {
            if (in_array($field, ['text', 'label', 'title'], true)) {
                continue;
            }
            $is = self::value($part, $field);
            $was = $before === null ? $is : self::value($before, $field);
            if ($is !== '' || $was !== '') {
                $settings[] = [Settings::name($field), $was === $is ? null : ($was === '' ? '–' : $was), $is === '' ? '–' : $is];
            }
        }

        return $settings;
    }

    /** The answer of an entry, in words. */
    public function answer(): string
    {
        return $this->block === null ? '' : Days::said(AnswerText::of($this->block->part()));
    }

    /** As it was at the earlier end; the same where there was none. */
    public function answerBefore(): string
    {
        $before = $this->block?->marked->before;

        return $before === null ? $this->answer() : Days::said(AnswerText::of($before));
    }

    /** @return list<Block> what is below it */
    public function below(string ...$roles): array
    {
        return array_values(array_filter($this->block->children ?? [], fn (Block $block) => in_array($block->role(), $roles, true)));
    }

    private static function value(Part $part, string $field): string
    {
        $value = $part->fields[$field] ?? null;

        return match (true) {
            $value === true => __('form.yes'),
            $value === false || $value === null => '',
            $field === 'type' => __("form.types.{$part->string('type')}"),
            $field === 'audience' => __("form.audiences.{$part->string('audience')}"),
            is_float($value) => (string) $value,
            $part->richText($field)->isEmpty() => Settings::value($part, $field),
            default => $part->richText($field)->text(),
        };
    }
}

<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Cause;
use App\Models\Version;
use MistyAttic\Core\Compare\Statement;

/** Puts facts into words. */
final class Phrases
{
    public function version(Version $version): string
    {
        $values = ['source' => (string) $version->source, 'kind' => $version->item->kind];

        return match ($version->cause) {
            Cause::Wrote => $this->withMore($version),
            Cause::Settled => __('changes.cause.settled', ['sentence' => mb_lcfirst($this->withMore($version))]),
            Cause::Copied => __('changes.cause.copied', ['source' => (string) $version->item->origin?->number, 'title' => (string) $version->item->origin?->item->title]),
            default => __('changes.cause.'.$version->cause->value, $values),
        };
    }

    public function statement(Statement $statement): string
    {
        return $this->fact($statement->code, $statement->values);
    }

    /** @param array<string, string|int> $values */
    public function what(array $values): string
    {
        $form = (string) ($values['form'] ?? 'named');
        $key = in_array($form, ['section', 'rows', 'columns'], true) ? "changes.{$form}" : "changes.{$form}.".($values['noun'] ?? 'paragraph');

        return trans_choice($key, (int) ($values['count'] ?? 1), $this->strings($values));
    }

    /** @param array<string, string|int> $values */
    private function fact(string $code, array $values): string
    {
        $where = (string) (($values['noun'] ?? '') === 'heading' ? ($values['name'] ?? '') : ($values['place'] ?? $values['name'] ?? ''));
        $replace = [
            ...$this->strings($values),
            'where' => $where === '' ? __('changes.somewhere') : $where,
            'kind' => __('changes.kinds.'.($values['noun'] ?? 'paragraph')),
        ];

        return match ($code) {
            'removed', 'added' => __("changes.{$code}", ['what' => $this->what($values)]),
            'moved' => __("changes.moved.{$values['direction']}", ['what' => $this->what($values)]),
            default => trans_choice("changes.{$code}", (int) ($values['count'] ?? 1), $replace),
        };
    }

    private function withMore(Version $version): string
    {
        $facts = $version->facts;
        $sentence = $this->fact($facts['code'], $facts['values']);

        return $facts['more'] > 0 ? $sentence.' '.trans_choice('changes.more', $facts['more'], ['count' => $facts['more']]) : $sentence;
    }

    /**
     * @param  array<string, string|int>  $values
     * @return array<string, string>
     */
    private function strings(array $values): array
    {
        return array_map(strval(...), $values);
    }
}

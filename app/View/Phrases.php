<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Cause;
use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\View\Settings\PublishingWords;
use App\View\Settings\SettingWords;
use App\Words\Days;
use App\Words\Numbers;
use MistyAttic\Core\Compare\Telling\Movement;
use MistyAttic\Core\Compare\Telling\Statement;
use MistyAttic\Core\Compare\Telling\Statements;

/** Puts facts into words. */
final class Phrases
{
    /** Blocks of a page are called by what they are, so that their place is told as well. */
    private const WITH_PLACE = ['button', 'call_out', 'links', 'hours', 'contact', 'divider', 'figure'];

    /** A version in one sentence, as the person sees it who the item was opened for. */
    public function seen(Item $item, Version $version): string
    {
        return $item->sight === null ? $this->version($version) : PublishingWords::forReaders($version);
    }

    public function version(Version $version): string
    {
        $values = ['source' => (string) $version->source, 'kind' => $version->item->kind];

        return match ($version->cause) {
            Cause::Wrote => match (true) {
                $version->unkept => $this->unkept($version),
                isset($version->facts['of'], $version->facts['whose']) => __('changes.cause.accepted', [
                    'who' => $version->facts['of'],
                    'whose' => $version->facts['whose'],
                    'sentence' => mb_lcfirst($this->withMore($version)),
                ]),
                default => $this->withMore($version),
            },
            Cause::Settled => __('changes.cause.settled', ['sentence' => mb_lcfirst($this->withMore($version))]),
            Cause::BroughtBack => __('changes.cause.brought_back', [
                'source' => (string) $version->source,
                'sentence' => mb_lcfirst($this->withMore($version)),
            ]),
            Cause::TookOut => __('changes.cause.took_out', [
                'who' => (string) ($version->facts['of'] ?? ''),
                'sentence' => mb_lcfirst($this->withMore($version)),
            ]),
            Cause::Copied => ! app(OtherItems::class)->tellsOf($version->item->origin?->item)
                ? __('changes.cause.copied_elsewhere')
                : __('changes.cause.copied', [
                    'source' => (string) ($version->facts['number'] ?? $version->item->origin?->number),
                    'title' => (string) ($version->facts['of'] ?? $version->item->origin?->item->title),
                ]),
            default => __('changes.cause.'.$version->cause->value, $values),
        };
    }

    /** A version that was written while no history was kept may take several people in. */
    private function unkept(Version $version): string
    {
        $by = count($version->facts['by'] ?? []) < 2
            ? []
            : User::query()
                ->whereIn('id', $version->facts['by'])
                ->orderBy('id')
                ->get()
                ->map(fn (User $user) => $user->firstName())
                ->all();

        return (string) __($by === [] ? 'changes.cause.unkept' : 'changes.cause.unkept_by', [
            'who' => collect($by)->join(', ', ' and '),
            'sentence' => mb_lcfirst($this->withMore($version)),
        ]);
    }

    /** @param list<Statement> $statements the most telling of them, and how many more there are */
    public function inOneLine(array $statements): string
    {
        // What followed by itself is no change of its own.
        $made = array_values(array_filter($statements, fn (Statement $statement) => ! $statement->isConsequence()));
        $most = Statements::mostTelling($made === [] ? $statements : $made);
        $more = count($made === [] ? $statements : $made) - 1;

        return $most === null
            ? (string) __('changes.same')
            : $this->statement($most).($more > 0 ? ' '.trans_choice('changes.more', $more, ['count' => (string) $more]) : '');
    }

    /** What changed between two versions of an item, in one line. */
    public function between(Version $from, Version $to, States $states): string
    {
        return $this->inOneLine(
            array_map(fn (ChangeLine $line) => $line->statement, (new Comparison($to->item, $from, $to, $states, $this))->entries),
        );
    }

    /**
     * What of a version is worth a look, in a few words.
     *
     * @param  list<array{type: string, part: string, evidence: array<string, string|int|float>}>|null  $unusual
     */
    public function unusual(?array $unusual): ?string
    {
        if ($unusual === null || $unusual === []) {
            return null;
        }
        $evidence = array_map(
            fn (string|int|float $value): string => is_string($value) || abs($value) < 1000 ? (string) $value : Numbers::short($value, 6),
            $unusual[0]['evidence'],
        );
        $told = ! isset($evidence['key']) || app(OtherItems::class)->tellsOfKey($evidence['key']);
        $first = __($told ? "unusual.{$unusual[0]['type']}" : "unusual.elsewhere.{$unusual[0]['type']}", $evidence);

        return count($unusual) > 1
            ? $first.' '.trans_choice('unusual.more', count($unusual) - 1, ['count' => (string) (count($unusual) - 1)])
            : $first;
    }

    public function statement(Statement $statement): string
    {
        return $this->fact($statement->code, $statement->values);
    }

    /** What a restore brings back or takes away of a table. */
    public function planned(Statement $statement): string
    {
        $values = $statement->values;

        return trans_choice("history.table_plan.{$statement->code}", (int) ($values['count'] ?? 1), [
            ...$this->strings($values),
            ...$this->table($values),
        ]);
    }

    /**
     * A setting that a restore brings back.
     *
     * @param  array<string, string|int>  $values
     */
    public function settingBack(array $values): string
    {
        $shown = [...$this->strings($values), ...$this->settings($values)];
        $name = (string) ($values['name'] ?? '');

        return __($shown['was'] === '' ? 'history.plan.setting_none' : 'history.plan.setting', [
            ...$shown, 'subject' => $name === '' && isset($values['noun']) ? (string) __("changes.unnamed.{$values['noun']}") : "“{$name}”",
        ]);
    }

    /** @param array<string, string|int> $values */
    public function what(array $values): string
    {
        $form = (string) ($values['form'] ?? 'named');
        if ($form === 'holding' || $form === 'unnamed_holding') {
            return __('changes.holding', [
                'what' => $this->what(['form' => $form === 'holding' ? 'named' : 'unnamed'] + $values),
                'inner' => trans_choice('changes.inner.'.$values['inner'], (int) $values['count'], ['count' => (string) $values['count']]),
            ]);
        }
        $key = in_array($form, ['section', 'rows', 'columns', 'empty_row', 'empty_column'], true)
            ? "changes.{$form}"
            : "changes.{$form}.".($values['noun'] ?? 'paragraph');

        return trans_choice($key, (int) ($values['count'] ?? 1), $this->strings($values));
    }

    /**
     * Which way something moved.
     *
     * @param  string  $key  of the sentences, by direction
     * @param  array<string, string|int>  $values  see {@see Movement}
     * @param  array<string, string>  $replace
     */
    public function movement(string $key, array $values, array $replace = []): string
    {
        foreach (['from_side', 'to_side'] as $end) {
            if (isset($values[$end])) {
                $replace[$end] = __("{$key}.sides.{$values[$end]}");
            }
        }

        return __("{$key}.{$values['direction']}", [...$this->strings($values), ...$replace]);
    }

    /**
     * Where a block of a page came or went.
     *
     * @param  array<string, string|int>  $values
     */
    private function standing(array $values): string
    {
        $place = (string) ($values['place'] ?? '');

        return $place === '' || $place === ($values['name'] ?? '') || ! in_array($values['noun'] ?? '', self::WITH_PLACE, true)
            ? ''
            : __('changes.in', ['name' => $place]);
    }

    /** @param array<string, string|int> $values */
    private function fact(string $code, array $values): string
    {
        $name = (string) ($values['name'] ?? '');
        $where = ($values['noun'] ?? '') === 'heading' ? $name : (string) ($values['place'] ?? $name);
        $replace = [
            ...$this->strings($values),
            'where' => $where === '' ? __('changes.somewhere') : $where,
            'kind' => __('changes.kinds.'.($values['noun'] ?? 'paragraph')),
            'subject' => $name === '' && isset($values['noun']) ? __("changes.unnamed.{$values['noun']}") : "“{$name}”",
            ...$this->settings($values),
            ...$this->table($values),
        ];

        return match ($code) {
            'removed', 'added' => __("changes.{$code}", ['what' => $this->what($values)]).$this->standing($values),
            'replaced_picture' => __('changes.replaced_picture', [
                'what' => $this->what(['form' => $name === '' ? 'unnamed' : 'named'] + $values),
            ]),
            'moved' => $this->movement('changes.moved', $values, ['what' => $this->what($values)]),
            'named', 'nameless' => __("changes.{$code}_it", [...$replace, 'what' => __("changes.unnamed.{$values['noun']}")]),
            'sorted' => isset($values['by'])
                ? __('changes.sorted_by', $replace)
                : trans_choice('changes.sorted', (int) $values['count'], $replace),
            default => trans_choice("changes.{$code}", (int) ($values['count'] ?? 1), $replace),
        };
    }

    /**
     * @param  array<string, string|int>  $values
     * @return array<string, string>
     */
    private function settings(array $values): array
    {
        $value = function (string $end) use ($values): array {
            $named = SettingWords::anyOf((string) ($values['noun'] ?? ''), (string) $values['field'], (string) ($values[$end] ?? ''));
            if ($named !== null) {
                return [$end => $named];
            }
            $key = "changes.values.{$values['field']}.".($values[$end] ?? '');
            $word = __($key);

            return is_string($word) && $word !== $key ? [$end => $word] : [];
        };

        return ! isset($values['field'])
            ? []
            : [
                ...$value('was'),
                ...$value('is'),
                'field' => __("changes.fields.{$values['field']}"),
                'others' => ($values['others'] ?? 0) === 0
                    ? ''
                    : ' '.trans_choice('changes.others', (int) $values['others'], ['count' => (string) $values['others']]),
            ];
    }

    /**
     * @param  array<string, string|int>  $values
     * @return array<string, string>
     */
    private function table(array $values): array
    {
        $name = (string) ($values['name'] ?? '');
        $in = $name === '' ? '' : __('changes.in', ['name' => $name]);

        return [
            'in' => $in,
            'of' => $name === '' ? '' : __('changes.of', ['name' => $name]),
            'rows_in' => $name === '' ? __('changes.the_rows') : " “{$name}”",
        ];
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
        return array_map(fn (string|int $value): string => Days::said((string) $value), $values);
    }
}

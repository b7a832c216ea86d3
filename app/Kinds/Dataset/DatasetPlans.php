<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Kinds\Report\ReportData;
use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\View\ChangeLine;
use App\View\Comparison;
use App\View\Phrases;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Kinds\Dataset\FieldNames;
use MistyAttic\Core\Kinds\Report\Widget;

/** The datasets that a report was drawn from when it stood as it did, where they are otherwise now: each with what would come back. */
final class DatasetPlans
{
    /** Lines that are shown of a dataset. */
    private const MOST = 40;

    /**
     * @var array<string, array{item: Item, then: Version, now: Version, entries: array<int, ChangeLine>, more: int, needed: list<int>, hanging: list<string>, may: bool}>
     *     by key
     */
    public array $plans = [];

    public function __construct(Item $report, Version $version, User $user, ReportData $data, States $states, Phrases $phrases)
    {
        $wanted = [];
        foreach ($states->tree($version->root)->parts as $part) {
            if ($part->role === 'widget' && $part->string('source') !== '') {
                $wanted[$part->string('source')] = array_merge($wanted[$part->string('source')] ?? [], (new Widget($part))->fields());
            }
        }
        $then = $data->at($version->saved_at);
        foreach ($wanted as $key => $fields) {
            [$item, $was, $is] = [$data->item((string) $key), $then->version((string) $key), $data->version((string) $key)];
            $isSame = $item === null || $was === null || $is === null || $was->root === $is->root;
            if ($isSame || Gate::forUser($user)->denies('view', $item)) {
                continue;
            }
            $comparison = new Comparison($item, $was, $is, $states, $phrases, apart: true, whole: true);
            $entries = self::comeBack($item, $comparison);
            if ($entries === []) {
                continue;
            }
            $hanging = array_map(fn (array $one): Item => $one['report'], DatasetView::hanging($item, $user, $states));
            $others = array_filter($hanging, fn (Item $other): bool => $other->id !== $report->id);
            $this->plans[(string) $key] = [
                'item' => $item,
                'then' => $was,
                'now' => $is,
                'entries' => array_slice($entries, 0, self::MOST, true),
                'more' => max(0, count($entries) - self::MOST),
                'needed' => self::needed($entries, $comparison, $fields),
                'may' => Gate::forUser($user)->allows('restore', $item),
                'hanging' => array_values(array_unique(array_map(fn (Item $other): string => $other->title, $others))),
            ];
        }
    }

    /** @return array<int, ChangeLine> what comes back for good: what a dataset follows fills its records again, and only its own fields stay */
    private static function comeBack(Item $item, Comparison $comparison): array
    {
        $isField = fn (string $id): bool => ($comparison->old->find($id) ?? $comparison->new->find($id))?->role === 'field';
        $isOwn = fn (ChangeLine $entry): bool => str_starts_with($entry->statement->code, 'removed_fields')
            || array_filter($entry->statement->ids, $isField) !== [];
        $follows = $item->follows();

        return array_filter(
            $comparison->entries,
            fn (ChangeLine $entry): bool => ! $entry->statement->isConsequence() && (! $follows || $isOwn($entry)),
        );
    }

    /**
     * @param  array<int, ChangeLine>  $entries
     * @param  list<string>  $fields  that the report draws from
     * @return list<int> the lines without which it would not be drawn as it was
     */
    private static function needed(array $entries, Comparison $comparison, array $fields): array
    {
        $calculatedFrom = fn (string $field): array => FieldNames::in($comparison->old->find($field)?->string('expression') ?? '');
        $needs = array_merge(array_unique($fields), ...array_map($calculatedFrom, $fields));
        $isNeeded = fn (ChangeLine $entry): bool => array_intersect($entry->statement->ids, $needs) !== []
            && $entry->statement->keysBack() !== [];

        return array_keys(array_filter($entries, $isNeeded));
    }

    /**
     * What was ticked, as keys of changes back.
     *
     * @param  array<mixed>  $ticked  positions of entries
     * @return list<string>
     */
    public function keys(string $dataset, array $ticked): array
    {
        $entries = array_intersect_key($this->plans[$dataset]['entries'] ?? [], array_flip(array_map(intval(...), $ticked)));

        return array_merge([], ...array_map(fn (ChangeLine $entry) => $entry->statement->keysBack(), array_values($entries)));
    }
}

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

    /** @var array<string, array{item: Item, then: Version, now: Version, entries: array<int, ChangeLine>, more: int, needed: list<int>, hanging: list<string>, may: bool}> by key */
    public array $plans = [];

    public function __construct(Item $report, Version $version, User $user, ReportData $data, States $states, Phrases $phrases)
    {
        $tree = $states->tree($version->root);
        $wanted = [];
        foreach ($tree->parts as $part) {
            if ($part->role === 'widget' && $part->string('source') !== '') {
                $wanted[$part->string('source')] = array_merge($wanted[$part->string('source')] ?? [], (new Widget($part))->fields());
            }
        }
        [$then, $now] = [$data->at($version->saved_at), $data];
        foreach ($wanted as $key => $fields) {
            $item = $now->item((string) $key);
            [$was, $is] = [$then->version((string) $key), $now->version((string) $key)];
            if ($item === null || $was === null || $is === null || $was->root === $is->root || Gate::forUser($user)->denies('view', $item)) {
                continue;
            }
            $comparison = new Comparison($item, $was, $is, $states, $phrases, apart: true, whole: true);
            // What a dataset follows fills its records again: only its own fields come back for good.
            $follows = $item->follows();
            $entries = array_filter($comparison->entries, fn (ChangeLine $entry) => ! $entry->statement->isConsequence() && (! $follows || str_starts_with($entry->statement->code, 'removed_fields') || array_filter($entry->statement->ids, fn (string $id) => ($comparison->old->find($id) ?? $comparison->new->find($id))?->role === 'field') !== []));
            $needs = array_merge(array_unique($fields), ...array_map(fn (string $field) => FieldNames::in($comparison->old->find($field)?->string('expression') ?? ''), $fields));
            $needed = array_keys(array_filter($entries, fn (ChangeLine $entry) => array_intersect($entry->statement->ids, $needs) !== [] && $entry->statement->keysBack() !== []));
            if ($entries === []) {
                continue;
            }
            $this->plans[(string) $key] = [
                'item' => $item, 'then' => $was, 'now' => $is, 'entries' => array_slice($entries, 0, self::MOST, true), 'more' => max(0, count($entries) - self::MOST), 'needed' => $needed, 'may' => Gate::forUser($user)->allows('restore', $item),
                'hanging' => array_values(array_unique(array_map(fn (array $one) => $one['report']->title, array_filter(DatasetView::hanging($item, $user, $states), fn (array $one) => $one['report']->id !== $report->id)))),
            ];
        }
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

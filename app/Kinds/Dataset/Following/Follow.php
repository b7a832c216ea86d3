<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Following;

use App\Models\Item;
use App\Models\SourceStep;
use App\Models\Version;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\States;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Dataset\Source;

/**
 * Takes the steps of what a dataset follows into it, in their order, each once: one step for each of the source's, by its author, at its
 * time.
 */
final readonly class Follow
{
    public function __construct(private States $states, private ReadSource $sources, private SaveState $save) {}

    public function handle(Item $dataset): void
    {
        $taken = null;
        while (($step = SourceStep::query()->with('user', 'entry')->where('dataset_id', $dataset->id)->orderBy('id')->first()) !== null) {
            $dataset->refresh();
            $source = $dataset->follows() ? $dataset->source : null;
            $before = $this->states->tree($dataset->root);
            $after = $source === null ? null : $this->after($dataset, $source, $step, $before);
            if ($after !== null && ! $after->equals($before)) {
                $this->save->handle(
                    $dataset,
                    $step->user,
                    new Sent(
                        $dataset->root,
                        $after,
                        'follow',
                        note: mb_substr(__('data.followed', ['number' => (string) $step->number]), 0, (int) config('attic.note')),
                        at: $step->at,
                        grows: $this->grows($dataset, $step),
                        follows: true,
                    ),
                );
                $dataset->refresh()->update(['source_grew' => "{$step->entry_id}/{$step->number}/{$dataset->head}"]);
            }
            // Should it end before this, the step is taken in once more, and changes nothing then.
            $step->delete();
            $taken = $step;
        }
        if ($taken !== null && $dataset->source !== null) {
            $seen = Version::query()
                ->whereIn('item_id', $dataset->source->kind === 'form' ? $dataset->source->entries()->select('id') : [$dataset->source->id])
                ->max('id');
            $dataset->update(['source_state' => (string) $seen]);
        }
    }

    /** Whether a step is one that was taken in last and went on. */
    private function grows(Item $dataset, SourceStep $step): bool
    {
        return $step->root !== null && $dataset->source_grew === "{$step->entry_id}/{$step->number}/{$dataset->head}"
            && Version::query()->where(['item_id' => $dataset->id, 'number' => $dataset->head])->value('user_id') === $step->user_id;
    }

    private function after(Item $dataset, Item $source, SourceStep $step, PartTree $before): ?PartTree
    {
        if ($step->entry_id === null) {
            $read = $step->root === null ? null : $this->sources->stands($source, $dataset->source_tab, $step->root);

            return $read?->tree($read->types(), $before);
        }
        $entry = $step->entry;
        if ($entry === null) {
            return null;
        }
        $id = ReadSource::recordOf($entry);
        $record = null;
        // What was taken away meanwhile comes back only when it is brought back.
        if ($step->root !== null && ($entry->deleted_at === null || $step->at < $entry->deleted_at)) {
            $one = $this->sources->entry($source, $entry, $step->root);
            $record = $this->record($one, $before, $id);
        }

        return $this->with($before, $id, $record);
    }

    private function record(Source $one, PartTree $before, string $id): ?Part
    {
        $fields = PartTree::of(array_values(array_filter($before->parts, fn (Part $part) => $part->role === 'field')));

        return $one->tree($one->types(), $fields)->find($id);
    }

    /** The dataset with a record as it is now, in its place by number; without it when it is null. */
    private function with(PartTree $before, string $id, ?Part $record): PartTree
    {
        $parts = [];
        $isIn = $record === null;
        foreach ($before->parts as $part) {
            if ($part->role === 'record' && ! $isIn && strcmp($part->id, $id) >= 0) {
                $parts[] = $record;
                $isIn = true;
            }
            if ($part->id !== $id) {
                $parts[] = $part;
            }
        }

        return PartTree::of($isIn ? $parts : [...$parts, $record]);
    }
}

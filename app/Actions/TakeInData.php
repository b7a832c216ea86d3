<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Compare\Match\Matching;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Dataset\DatasetKind;
use MistyAttic\Core\Kinds\Dataset\Source;
use MistyAttic\Core\Kinds\Fresh;
use MistyAttic\Core\Kinds\Report\ReportKind;

/** Fills a dataset from a source: a new one, or an old one again as its next version. */
final readonly class TakeInData
{
    public function __construct(private MakeItem $make, private SaveState $save, private States $states, private ReadSource $sources, private ReadSteps $steps) {}

    /** @param array<string, array{type: string, choices: list<string>}> $types */
    public function make(Shelf $shelf, User $maker, string $title, Source $source, array $types, bool $bound = false): Item
    {
        return $this->make->handle($shelf, $maker, 'dataset', $title, content: new Content(new DatasetKind, $source->tree($types)), keepIds: $bound);
    }

    /** A file again: its fields and records are matched by what they hold with those that are there. */
    public function again(Item $item, User $editor, Source $source, string $name): Saved|Unfit|UnknownBase
    {
        $head = $this->states->tree($item->root);
        $stored = PartTree::of(array_values(array_filter($head->parts, fn (Part $part) => $part->string('expression') === '')));
        $known = array_column(array_map(fn (Part $field) => [mb_strtolower($field->string('name')), $field], array_filter($stored->parts, fn (Part $part) => $part->role === 'field')), 1, 0);
        $types = $source->types();
        foreach ($source->names as $id => $called) {
            $field = $known[mb_strtolower($called)] ?? null;
            $types[$id] = $field === null ? $types[$id] : ['type' => $field->string('type'), 'choices' => $field->strings('choices')];
        }
        $matched = Matching::adopt($stored, $this->fresh($source->tree($types)), (new DatasetKind)->grid())->tree;
        $fields = array_filter($matched->parts, fn (Part $part) => $part->role === 'field');
        $calculated = array_filter($head->parts, fn (Part $part) => $part->string('expression') !== '');
        $records = array_filter($matched->parts, fn (Part $part) => $part->role === 'record');

        return $this->save->handle($item, $editor, new Sent($item->root, PartTree::of([...array_values($fields), ...array_values($calculated), ...array_values($records)]), 'file', keep: true, note: mb_substr(__('item.from_file', ['name' => $name]), 0, (int) config('attic.note'))));
    }

    /** Binds a dataset to another item, which it follows, or stays with one version of. */
    public function bind(Item $dataset, Item $source, ?string $tab, ?Version $version): void
    {
        $dataset->update(['source_id' => $source->id, 'source_tab' => $tab, 'source_number' => $version?->number, 'source_state' => $this->sources->state($source)]);
    }

    /** Does so for all datasets that a report is drawn from. */
    public function followAll(PartTree $report): void
    {
        Item::query()->where('kind', 'dataset')->whereIn('key', ReportKind::sources($report))->whereNotNull('source_id')->get()->each($this->follow(...));
    }

    /** Takes in what became of the item that a dataset follows: each change in the name of who made it, when it was made. */
    public function follow(Item $dataset): void
    {
        $source = $dataset->follows() ? Item::query()->find($dataset->source_id) : null;
        $state = $source === null ? null : $this->sources->state($source);
        if ($source === null || $state === $dataset->source_state) {
            return;
        }
        DB::transaction(function () use ($dataset, $source, $state): void {
            if ($dataset->refresh()->source_state === $state) {
                return;
            }
            foreach ($this->steps->handle($source, $dataset) as [$read, $who, $at, $number]) {
                $before = $this->states->tree($dataset->root);
                $after = $read->tree($read->types(), $before);
                if (! $after->equals($before)) {
                    $this->save->handle($dataset, $who, new Sent($dataset->root, $after, 'follow', keep: true, note: mb_substr(__('data.followed', ['title' => $source->title, 'number' => (string) $number]), 0, (int) config('attic.note')), at: $at));
                    $dataset->refresh();
                }
            }
            $dataset->update(['source_state' => $state]);
        });
    }

    /** Under ids of their own; ids of what is followed stay as they are. */
    private function fresh(PartTree $tree): PartTree
    {
        $ids = [];
        foreach ($tree->parts as $part) {
            $ids[$part->id] = MakeItem::partId();
        }

        return Fresh::ids($tree, $ids);
    }
}

<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Following;

use App\Making\MakeItem;
use App\Making\StopFollowing;
use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Saving\Unfit;
use App\Saving\UnknownBase;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Compare\Match\Matching;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Dataset\DatasetKind;
use MistyAttic\Core\Kinds\Dataset\FieldType;
use MistyAttic\Core\Kinds\Dataset\Source;
use MistyAttic\Core\Kinds\Fresh;

/** Fills a dataset from a source: a new one, or an old one again as its next version. */
final readonly class TakeInData
{
    public function __construct(private MakeItem $make, private SaveState $save, private States $states, private ReadSource $sources) {}

    /** @param array<string, FieldType> $types */
    public function make(Shelf $shelf, User $maker, string $title, Source $source, array $types, bool $bound = false): Item
    {
        return $this->make->handle(
            $shelf,
            $maker,
            (new DatasetKind)->name(),
            $title,
            content: new Content(new DatasetKind, $source->tree($types)),
            keepIds: $bound,
        );
    }

    /** A file again: its fields and records are matched by what they hold with those that are there. */
    public function again(Item $item, User $editor, Source $source, string $name): Saved|Unfit|UnknownBase
    {
        $head = $this->states->tree($item->root);
        $stored = PartTree::of(array_values(array_filter($head->parts, fn (Part $part) => $part->string('expression') === '')));
        $known = array_column(
            array_map(
                fn (Part $field) => [mb_strtolower($field->string('name')), $field],
                array_filter($stored->parts, fn (Part $part) => $part->role === 'field'),
            ),
            1,
            0,
        );
        $source = $source->without($this->calculatedNames($head));
        $types = $source->types();
        foreach ($source->names as $id => $called) {
            $field = $known[mb_strtolower($called)] ?? null;
            $types[$id] = $field === null ? $types[$id] : FieldType::of($field);
        }
        $matched = Matching::adopt($stored, $this->fresh($source->tree($types)), (new DatasetKind)->grid())->tree;
        $fields = array_filter($matched->parts, fn (Part $part) => $part->role === 'field');
        $calculated = array_filter($head->parts, fn (Part $part) => $part->string('expression') !== '');
        $records = array_filter($matched->parts, fn (Part $part) => $part->role === 'record');

        return $this->save->handle(
            $item,
            $editor,
            new Sent(
                $item->root,
                PartTree::of([...array_values($fields), ...array_values($calculated), ...array_values($records)]),
                'file',
                keep: true,
                grows: false,
                note: mb_substr(__('item.from_file', ['name' => $name]), 0, (int) config('attic.note')),
            ),
        );
    }

    /** @return list<string> */
    private function calculatedNames(PartTree $dataset): array
    {
        return array_values(
            array_map(
                fn (Part $field) => $field->string('name'),
                array_filter($dataset->parts, fn (Part $part) => $part->role === 'field' && $part->string('expression') !== ''),
            ),
        );
    }

    /** Binds a dataset to another item, which it follows, or stays with one version of. */
    public function bind(Item $dataset, Item $source, ?string $tab, ?Version $version): void
    {
        $dataset->update([
            'source_id' => $source->id,
            'source_tab' => $tab,
            'source_number' => $version?->number,
            'source_state' => (string) StopFollowing::newest($source),
        ]);
    }

    /** Follows again: what it holds becomes what its source is now, by whoever says so. */
    public function follow(Item $dataset, User $editor): void
    {
        DB::transaction(function () use ($dataset, $editor): void {
            $source = $dataset->refresh()->source ?? throw new \LogicException('It comes from somewhere');
            if ($dataset->follows()) {
                return;
            }
            $after = $this->following($dataset);
            $dataset->update(['source_number' => null, 'source_state' => (string) StopFollowing::newest($source), 'source_grew' => null]);
            if ($after !== null) {
                $this->save->handle(
                    $dataset,
                    $editor,
                    new Sent(
                        $dataset->root,
                        $after,
                        'follow',
                        keep: true,
                        grows: false,
                        note: (string) __('data.follows_again'),
                        follows: true,
                    ),
                );
            }
        });
    }

    /** What it would be if it followed its source, with its own calculated fields; null when that has nothing for it. */
    public function following(Item $dataset): ?PartTree
    {
        $source = $dataset->source;
        $read = $source === null ? null : $this->sources->item($source, $dataset->source_tab, null);

        return $read?->tree($read->types(), $this->states->tree($dataset->root));
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

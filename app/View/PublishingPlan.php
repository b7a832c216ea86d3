<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\Version;
use App\Store\States;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;

/** What readers would see change if a version was published: the live one compared with it, or all of it. */
final readonly class PublishingPlan
{
    public Kind $kind;

    /** The version that readers see now. */
    public ?Version $live;

    /** Null when readers see nothing yet. */
    public ?Comparison $comparison;

    public PartTree $tree;

    /** Both states, as far as there are two. */
    public PartTree $old;

    public PartTree $new;

    /** How many versions were made since. */
    public int $newer;

    public function __construct(public Item $item, public Version $version, States $states, public Phrases $phrases)
    {
        $this->kind = Kinds::named($item->kind);
        $this->live = $item->live?->version()->with('user', 'milestone.user')->firstOrFail()->setRelation('item', $item);
        $this->comparison = $this->live === null ? null : new Comparison($item, $this->live, $version, $states, $phrases);
        $this->tree = $this->comparison->new ?? $states->tree($version->root);
        $this->new = $this->tree;
        $this->old = $this->comparison->old ?? $this->tree;
        $this->newer = $item->head - $version->number;
    }

    /** @return list<Block> */
    public function blocks(): array
    {
        return $this->comparison === null ? Blocks::plain($this->kind, $this->tree) : Blocks::compared($this->kind, $this->comparison);
    }

    public function page(): PageHtml
    {
        return new PageHtml($this->tree, fn (string $chunk) => route('picture', [$this->item, $chunk]));
    }

    /** Whether readers would see nothing else than now. */
    public function changesNothing(): bool
    {
        return $this->live !== null && $this->live->root === $this->version->root && $this->live->title === $this->version->title;
    }
}

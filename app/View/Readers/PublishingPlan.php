<?php

declare(strict_types=1);

namespace App\View\Readers;

use App\Models\Item;
use App\Models\Publishing;
use App\Models\Version;
use App\Store\States;
use App\View\Block;
use App\View\Blocks;
use App\View\Comparison;
use App\View\OtherItems;
use App\View\Phrases;
use Illuminate\Database\Eloquent\Collection;
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

    /** @var list<array{title: string, was: int, is: int}> datasets of which readers would see newer figures */
    public array $figures;

    /** @var Collection<int, Publishing> states that were live for the shelf alone, while others have the address now */
    public Collection $hidden;

    /** Whether publishing it would make readers see anything else, were it only newer figures. */
    public bool $brings;

    public function __construct(public Item $item, public Version $version, States $states, public Phrases $phrases)
    {
        $this->kind = Kinds::named($item->kind);
        $this->live = $item->live?->version()->with('user', 'milestone.user')->firstOrFail()->setRelation('item', $item);
        $this->comparison = $this->live === null ? null : new Comparison($item, $this->live, $version, $states, $phrases);
        $this->tree = $this->comparison->new ?? $states->tree($version->root);
        $this->new = $this->tree;
        $this->old = $this->comparison->old ?? $this->tree;
        $this->hidden = $item->is_public
            ? $item->publishings()->with('version')->whereNotNull('count')->where('is_public', false)->orderBy('count')->get()
            : new Collection;
        $this->newer = $item->head - $version->number;
        $behind = $item->room(ForReaders::class)->behind($item, $version);
        $this->figures = array_values(
            Item::query()
                ->whereIn('key', array_keys($behind))
                ->orderBy('title')
                ->get()
                ->filter(app(OtherItems::class)->tellsOf(...))
                ->map(
                    fn (Item $dataset) => [
                        'title' => $dataset->title,
                        'was' => $behind[$dataset->key][0],
                        'is' => $behind[$dataset->key][1],
                    ],
                )
                ->all(),
        );
        $this->brings = $behind !== [] || $item->live?->version_id !== $version->id;
    }

    /** @return list<Block> */
    public function blocks(): array
    {
        return $this->comparison === null ? Blocks::plain($this->kind, $this->tree) : Blocks::compared($this->kind, $this->comparison);
    }

    /** Whether readers would see nothing else than now. */
    public function changesNothing(): bool
    {
        return $this->live !== null && $this->live->root === $this->version->root && $this->live->title === $this->version->title;
    }
}

<?php

declare(strict_types=1);

namespace App\View\Keeping;

use App\Models\Item;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use App\Store\States;
use App\View\Phrases;
use Illuminate\Contracts\Pagination\LengthAwarePaginator;
use Illuminate\Database\Eloquent\Collection;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Cell;

/** What was deleted from a shelf, or from all that somebody works on, the latest first. */
final readonly class LostView
{
    private const PAGE = 20;

    /** Parts and letters of the newest state that show what it was. */
    private const PARTS = 12;

    private const LETTERS = 140;

    /** @var LengthAwarePaginator<int, Item> */
    public LengthAwarePaginator $items;

    /** @var array<int, string> item => its first words, as it was last */
    public array $words;

    /** @var array<int, string> item => what its newest version did */
    public array $sentences;

    /** @var Collection<int, Shelf> shelves that this person may bring back */
    public Collection $shelves;

    public function __construct(
        private States $states,
        User $person,
        ?Shelf $shelf,
        public string $find,
        public string $kind,
        Phrases $phrases,
    ) {
        $works = $person
            ->shelves()
            ->wherePivotIn('role', [Role::Editor->value, Role::Owner->value])
            ->pluck('shelves.id');
        $this->items = Item::query()
            ->with('deleter', 'shelf.memberships', 'newest.user')
            ->whereNull('form_id')
            ->whereNotNull('items.deleted_at')
            ->whereIn('shelf_id', $shelf === null ? $works : [$shelf->id])
            ->when($find !== '', fn ($query) => $query->whereRaw("title LIKE ? ESCAPE '\\'", ['%'.addcslashes($find, '%_\\').'%']))
            ->when($kind !== '', fn ($query) => $query->where('kind', $kind))
            ->orderByDesc('items.deleted_at')->orderByDesc('items.id')->paginate(self::PAGE)->withQueryString();
        $this->items->each(fn (Item $item) => $item->newest?->setRelation('item', $item));
        $this->words = $this->items->getCollection()->mapWithKeys(fn (Item $item): array => [$item->id => $this->words($item)])->all();
        $this->sentences = $this->items
            ->getCollection()
            ->whereNotNull('newest')
            ->mapWithKeys(fn (Item $item): array => [$item->id => $item->newest === null ? '' : $phrases->version($item->newest)])
            ->all();
        $this->shelves = $shelf !== null
            ? new Collection
            : Shelf::query()
                ->with('deleter')
                ->withCount('items')
                ->whereNotNull('deleted_at')
                ->whereIn(
                    'id',
                    $person->belongsToMany(Shelf::class, 'memberships')->wherePivot('role', Role::Owner->value)->select('shelves.id'),
                )
                ->orderByDesc('deleted_at')
                ->get();
    }

    private function words(Item $item): string
    {
        $words = [];
        foreach ($this->states->window($item->root, 0, self::PARTS) as $part) {
            $words[] = self::of($part);
        }

        return mb_strimwidth(
            trim((string) preg_replace('/\s+/u', ' ', implode(' · ', array_filter($words, fn (string $text) => $text !== '')))),
            0,
            self::LETTERS,
            '…',
        );
    }

    private static function of(Part $part): string
    {
        $texts = [];
        foreach ($part->fields as $name => $value) {
            if ($value instanceof RichText) {
                $texts[] = $value->text();
            } elseif (in_array($name, ['name', 'label', 'title'], true) && is_string($value)) {
                $texts[] = $value;
            } elseif ($part->role === 'row' || $part->role === 'record') {
                $texts[] = Cell::show($value);
            }
        }

        return implode(' ', array_slice(array_filter($texts, fn (string $text) => $text !== ''), 0, 6));
    }
}

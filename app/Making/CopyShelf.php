<?php

declare(strict_types=1);

namespace App\Making;

use App\Keeping\MakeShelf;
use App\Models\Item;
use App\Models\LogLine;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Past\ShelfThen;
use Carbon\CarbonImmutable;

/** Makes a new shelf of what stood on another one at a moment, each item as it was then. */
final readonly class CopyShelf
{
    public function __construct(private MakeShelf $shelves, private CopyOut $copy) {}

    public function handle(Shelf $shelf, User $person, CarbonImmutable $moment, string $name): Shelf
    {
        $then = new ShelfThen($shelf, $person);
        $made = $this->shelves->handle($person, $name);
        $numbers = $then->numbers($moment);
        foreach (
            Version::query()
                ->numbered(array_map(fn (int $id, int $number): array => [$id, $number], array_keys($numbers), array_values($numbers)))
                ->orderBy('item_id')
                ->get() as $version
        ) {
            $item = $then->item($version->item_id);
            $version->setRelation('item', $item);
            $this->copy->handle($version, $made, $person, self::title($then, $item, $version, $moment));
        }
        LogLine::ofShelf('shelf_copied', $person, $shelf, facts: ['name' => $name, 'moment' => $moment->format('j F Y, H:i').' UTC']);

        return $made;
    }

    private static function title(ShelfThen $then, Item $item, Version $version, CarbonImmutable $moment): string
    {
        return $then->live($item, $moment)->title ?? ($version->title === '' ? $item->title : $version->title);
    }
}

<?php

declare(strict_types=1);

namespace App\View\Sources;

use App\Models\Item;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\JsonWriter;
use MistyAttic\Core\Formats\SaidInFile;
use MistyAttic\Core\Formats\TrackedTree;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Store\ChunkStore;

/** All of a state, with ids and pictures, as it can come in again. */
final readonly class WholeFile
{
    public function __construct(private Item $item, private ChunkStore $chunks) {}

    /**
     * @param  list<SaidInFile>  $said
     * @param  list<TrackedTree>  $proposed
     */
    public function written(PartTree $tree, array $said, array $proposed): WrittenFile
    {
        $kind = Kinds::named($this->item->kind);
        $pictures = $this->pictures(
            array_merge(...array_map(fn (PartTree $of): array => Kinds::chunks($kind, $of), [$tree, ...array_column($proposed, 'tree')])),
        );

        return new WrittenFile('application/json', (new JsonWriter)->write($kind, $tree, $pictures, $said, $proposed));
    }

    /**
     * @param  array<string>  $wanted  addresses of chunks, in hexadecimal
     * @return array<string, string> bytes by address; only what is a picture of this item
     */
    private function pictures(array $wanted): array
    {
        $own = $this->item->pictures()->whereIn('chunk', array_values(array_unique($wanted)))->pluck('chunk')->all();
        $bytes = $this->chunks->read(array_values(array_map(fn (string $chunk) => (string) hex2bin($chunk), $own)));
        $pictures = array_combine(array_map(bin2hex(...), array_keys($bytes)), $bytes);
        ksort($pictures);

        return $pictures;
    }
}

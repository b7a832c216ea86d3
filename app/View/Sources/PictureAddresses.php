<?php

declare(strict_types=1);

namespace App\View\Sources;

use App\Models\Item;
use Closure;
use MistyAttic\Core\Store\ChunkStore;

/** The pictures of an item as addresses that hold them, for files that go out. */
final readonly class PictureAddresses
{
    public function __construct(private ChunkStore $chunks) {}

    /** @return Closure(string): ?string by their chunks; null for what is no picture of that item */
    public function of(Item $item): Closure
    {
        $types = $item->pictures()->pluck('type', 'chunk');

        return function (string $chunk) use ($types): ?string {
            $address = (string) hex2bin($chunk);
            $bytes = isset($types[$chunk]) ? ($this->chunks->read([$address])[$address] ?? null) : null;

            return $bytes === null ? null : 'data:'.$types[$chunk].';base64,'.base64_encode($bytes);
        };
    }
}

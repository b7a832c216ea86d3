<?php

declare(strict_types=1);

namespace App\Making;

use App\Models\Item;
use App\Models\Picture;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Store\ChunkStore;

/** Keeps a picture's bytes as a chunk; what it is, its bytes say, not its name. */
final readonly class KeepPicture
{
    private const TYPES = [
        IMAGETYPE_PNG => 'image/png',
        IMAGETYPE_JPEG => 'image/jpeg',
        IMAGETYPE_GIF => 'image/gif',
        IMAGETYPE_WEBP => 'image/webp',
    ];

    /** More than any camera makes; each takes four bytes where it is shown. */
    private const MOST_PIXELS = 60_000_000;

    public function __construct(private ChunkStore $chunks) {}

    /** @return Picture|null null when the bytes are no picture */
    public function handle(Item $item, string $bytes): ?Picture
    {
        $type = self::type($bytes);

        return $type === null ? null : $this->keep($item, $bytes, $type, getimagesizefromstring($bytes) ?: [0, 0]);
    }

    /**
     * A picture or a PDF that was sent to a form. Like a picture it is told by its bytes; it is only ever handed out as a download, and is
     * swept when no entry comes of it.
     */
    public function file(Item $item, string $bytes): ?Picture
    {
        $isPdf = str_starts_with($bytes, '%PDF-') && str_contains(substr($bytes, -1024), '%%EOF');

        $type = $isPdf ? 'application/pdf' : self::type($bytes);

        return $type === null
            ? null
            : $this->keep($item, $bytes, $type, $isPdf ? [0, 0] : (getimagesizefromstring($bytes) ?: [0, 0]), isUsed: false);
    }

    /** Gives an item the pictures of another one that a state of it shows. */
    public function share(Item $from, Item $to, PartTree $tree): void
    {
        $chunks = Kinds::chunks(Kinds::named($from->kind), $tree);
        foreach ($from->pictures()->whereIn('chunk', $chunks)->get() as $picture) {
            Picture::query()->firstOrCreate(
                ['item_id' => $to->id, 'chunk' => $picture->chunk],
                $picture->only('type', 'width', 'height', 'bytes'),
            );
        }
    }

    /** @param array{int, int, ...} $size */
    private function keep(Item $item, string $bytes, string $type, array $size, bool $isUsed = true): Picture
    {
        $address = Address::of($bytes);

        return DB::transaction(function () use ($item, $bytes, $address, $type, $size, $isUsed) {
            $this->chunks->write([$address => $bytes]);

            $picture = Picture::query()->firstOrCreate(
                ['item_id' => $item->pictured(), 'chunk' => bin2hex($address)],
                ['type' => $type, 'width' => $size[0], 'height' => $size[1], 'is_used' => $isUsed],
            );
            // It may have been sent before, and be wanted for good now, or be sent once more.
            if ($isUsed && ! $picture->is_used) {
                $picture->update(['is_used' => true]);
            } elseif (! $picture->wasRecentlyCreated) {
                $picture->touch();
            }

            return $picture;
        });
    }

    /** The media type, or null when the bytes are no picture that can be kept. */
    public static function type(string $bytes): ?string
    {
        $size = @getimagesizefromstring($bytes);

        return $size === false || $size[0] < 1 || $size[1] < 1 || $size[0] * $size[1] > self::MOST_PIXELS
            ? null
            : self::TYPES[$size[2]] ?? null;
    }
}

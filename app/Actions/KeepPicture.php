<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Item;
use App\Models\Picture;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Store\ChunkStore;

/** Keeps a picture's bytes as a chunk; what it is, its bytes say, not its name. */
final readonly class KeepPicture
{
    private const TYPES = [IMAGETYPE_PNG => 'image/png', IMAGETYPE_JPEG => 'image/jpeg', IMAGETYPE_GIF => 'image/gif', IMAGETYPE_WEBP => 'image/webp'];

    public function __construct(private ChunkStore $chunks) {}

    /** @return Picture|null null when the bytes are no picture */
    public function handle(Item $item, string $bytes): ?Picture
    {
        $type = self::type($bytes);

        return $type === null ? null : $this->keep($item, $bytes, $type, getimagesizefromstring($bytes) ?: [0, 0]);
    }

    /** A picture or a PDF. Like a picture it is told by its bytes; it is only ever handed out as a download. */
    public function file(Item $item, string $bytes): ?Picture
    {
        $isPdf = str_starts_with($bytes, '%PDF-') && str_contains(substr($bytes, -1024), '%%EOF');

        return $isPdf ? $this->keep($item, $bytes, 'application/pdf', [0, 0]) : $this->handle($item, $bytes);
    }

    /** @param array{int, int, ...} $size */
    private function keep(Item $item, string $bytes, string $type, array $size): Picture
    {
        $address = Address::of($bytes);

        return DB::transaction(function () use ($item, $bytes, $address, $type, $size) {
            $this->chunks->write([$address => $bytes]);

            return Picture::query()->firstOrCreate(
                ['item_id' => $item->id, 'chunk' => bin2hex($address)],
                ['type' => $type, 'width' => $size[0], 'height' => $size[1]],
            );
        });
    }

    /** The media type, or null when the bytes are no picture that can be kept. */
    public static function type(string $bytes): ?string
    {
        $size = @getimagesizefromstring($bytes);

        return $size === false || $size[0] < 1 || $size[1] < 1 || $size[0] > 20_000 || $size[1] > 20_000 ? null : self::TYPES[$size[2]] ?? null;
    }
}

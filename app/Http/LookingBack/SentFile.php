<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Models\Item;
use App\View\Sources\WrittenFile;
use Illuminate\Http\Response;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** A file that is kept by who asked for it: under its own name, or that of the item and the version. Nothing in it runs. */
final class SentFile
{
    public static function of(Item $item, int $number, string $ending, WrittenFile $file): Response|StreamedResponse
    {
        $headers = [
            'Content-Type' => $file->mediaType,
            'Content-Disposition' => self::disposition($file->name, (Str::slug($item->title) ?: $item->kind)."-{$number}.{$ending}"),
            'Content-Security-Policy' => "default-src 'none'; img-src data:; style-src 'unsafe-inline'; sandbox",
        ];
        $bytes = $file->bytes;

        return is_string($bytes) ? response($bytes, 200, $headers) : response()->stream(function () use ($bytes): void {
            foreach ($bytes as $piece) {
                echo $piece;
            }
        }, 200, $headers);
    }

    /** RFC 6266: a name of any script, and beside it one in ASCII for who can't read that. */
    private static function disposition(?string $own, string $else): string
    {
        return $own === null
            ? "attachment; filename=\"{$else}\""
            : HeaderUtils::makeDisposition(
                'attachment',
                str_replace(['/', '\\'], '-', $own),
                (string) preg_replace('~[^\x20-\x7e]|[%/\\\\]~', '_', Str::ascii($own)),
            );
    }
}

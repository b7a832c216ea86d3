<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Item;
use App\Store\States;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use MistyAttic\Core\Formats\DocumentFormat;
use MistyAttic\Core\Store\ChunkStore;

final class DownloadController extends Controller
{
    public function __invoke(Item $item, int $number, DocumentFormat $format, States $states, ChunkStore $chunks): Response
    {
        Gate::authorize('view', $item);
        $version = $this->version($item, $number);
        $types = $item->pictures()->pluck('type', 'chunk');
        $picture = function (string $chunk) use ($types, $chunks): ?string {
            $address = (string) hex2bin($chunk);
            $bytes = isset($types[$chunk]) ? ($chunks->read([$address])[$address] ?? null) : null;

            return $bytes === null ? null : 'data:'.$types[$chunk].';base64,'.base64_encode($bytes);
        };
        $writer = $format->writer();
        $name = (Str::slug($item->title) ?: 'document')."-{$number}.{$format->value}";

        return response($writer->write($item->title, $states->tree($version->root), $picture), 200, [
            'Content-Type' => $writer->mediaType(),
            'Content-Disposition' => "attachment; filename=\"{$name}\"",
            'Content-Security-Policy' => "default-src 'none'; img-src data:; sandbox",
        ]);
    }
}

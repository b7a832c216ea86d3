<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Item;
use App\Store\States;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use MistyAttic\Core\Formats\DocumentFormat;
use MistyAttic\Core\Formats\SheetFormat;
use MistyAttic\Core\Store\ChunkStore;

final class DownloadController extends Controller
{
    public function __invoke(Request $request, Item $item, int $number, string $format, States $states, ChunkStore $chunks): Response
    {
        Gate::authorize('view', $item);
        $version = $this->version($item, $number);
        if ($item->kind === 'spreadsheet') {
            $sheet = SheetFormat::tryFrom($format) ?? abort(404);
            $tab = $request->query('tab');

            return $this->file($item, $number, $format, $sheet->mediaType(), $sheet->write($states->tree($version->root), is_string($tab) ? $tab : null));
        }
        $document = DocumentFormat::tryFrom($format) ?? abort(404);
        $types = $item->pictures()->pluck('type', 'chunk');
        $picture = function (string $chunk) use ($types, $chunks): ?string {
            $address = (string) hex2bin($chunk);
            $bytes = isset($types[$chunk]) ? ($chunks->read([$address])[$address] ?? null) : null;

            return $bytes === null ? null : 'data:'.$types[$chunk].';base64,'.base64_encode($bytes);
        };
        $writer = $document->writer();

        return $this->file($item, $number, $format, $writer->mediaType(), $writer->write($item->title, $states->tree($version->root), $picture));
    }

    private function file(Item $item, int $number, string $ending, string $type, string $bytes): Response
    {
        $name = (Str::slug($item->title) ?: $item->kind)."-{$number}.{$ending}";

        return response($bytes, 200, [
            'Content-Type' => $type,
            'Content-Disposition' => "attachment; filename=\"{$name}\"",
            'Content-Security-Policy' => "default-src 'none'; img-src data:; sandbox",
        ]);
    }
}

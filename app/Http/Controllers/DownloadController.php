<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Jobs\Progress;
use App\Models\Item;
use App\Models\Version;
use App\Store\DatasetColumns;
use App\Store\States;
use App\View\DatasetSheet;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\DocumentFormat;
use MistyAttic\Core\Formats\JsonWriter;
use MistyAttic\Core\Formats\Page\PageFormat;
use MistyAttic\Core\Formats\SheetFormat;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Store\ChunkStore;

final class DownloadController extends Controller
{
    public function __invoke(Request $request, Item $item, int $number, string $format, States $states, ChunkStore $chunks, DatasetColumns $columns, Progress $progress): Response|RedirectResponse
    {
        Gate::authorize('view', $item);
        $version = $this->version($item, $number);
        if ($format === 'json') {
            return $this->json($item, $version, $states->tree($version->root), $chunks);
        }
        if ($item->kind === 'spreadsheet') {
            $sheet = SheetFormat::tryFrom($format) ?? abort(404);
            $tab = $request->query('tab');

            $tree = $states->tree($version->root);
            $cells = array_sum(array_map(fn (Part $part) => count($part->fields), $tree->parts));
            if ($cells > $sheet->mostCells()) {
                return redirect()->route('history', ['item' => $item, 'from' => $number, 'to' => $item->head, 'view' => 'was'])
                    ->withErrors(['format' => __('item.too_many_cells', ['cells' => number_format($cells), 'max' => number_format($sheet->mostCells()), 'format' => strtoupper($format)])]);
            }

            return $this->file($item, $number, $format, $sheet->mediaType(), $sheet->write($tree, is_string($tab) ? $tab : null, $progress->between(0, 1)));
        }
        if ($item->kind === 'dataset') {
            $sheet = SheetFormat::tryFrom($format) ?? abort(404);
            $data = $columns->records($version->root);
            if ($data->count * count($data->fields) > $sheet->mostCells()) {
                return redirect()->route('history', ['item' => $item, 'from' => $number, 'to' => $item->head, 'view' => 'was'])
                    ->withErrors(['format' => __('item.too_many_cells', ['cells' => number_format($data->count * count($data->fields)), 'max' => number_format($sheet->mostCells()), 'format' => strtoupper($format)])]);
            }

            return $this->file($item, $number, $format, $sheet->mediaType(), $sheet->write(DatasetSheet::tree($data), share: $progress->between(0, 1)));
        }
        $types = $item->pictures()->pluck('type', 'chunk');
        $picture = function (string $chunk) use ($types, $chunks): ?string {
            $address = (string) hex2bin($chunk);
            $bytes = isset($types[$chunk]) ? ($chunks->read([$address])[$address] ?? null) : null;

            return $bytes === null ? null : 'data:'.$types[$chunk].';base64,'.base64_encode($bytes);
        };
        $tree = $states->tree($version->root);
        abort_if(in_array($item->kind, ['form', 'entry', 'report'], true), 404);
        if ($item->kind === 'page') {
            $page = PageFormat::tryFrom($format) ?? abort(404);

            return $this->file($item, $number, $format, $page->mediaType(), $page->write($version->title, $tree, $picture));
        }
        $writer = (DocumentFormat::tryFrom($format) ?? abort(404))->writer();

        return $this->file($item, $number, $format, $writer->mediaType(), $writer->write($version->title, $tree, $picture));
    }

    /** All of it, with ids and pictures, as it can come in again. */
    private function json(Item $item, Version $version, PartTree $tree, ChunkStore $chunks): Response
    {
        $kind = Kinds::named($item->kind);
        $wanted = Kinds::chunks($kind, $tree);
        $own = $item->pictures()->whereIn('chunk', $wanted)->pluck('chunk')->all();
        $bytes = $chunks->read(array_values(array_map(fn (string $chunk) => (string) hex2bin($chunk), $own)));
        $pictures = array_combine(array_map(bin2hex(...), array_keys($bytes)), $bytes);
        ksort($pictures);

        return $this->file($item, $version->number, 'json', 'application/json', (new JsonWriter)->write($kind, $tree, $pictures));
    }

    private function file(Item $item, int $number, string $ending, string $type, string $bytes): Response
    {
        $name = (Str::slug($item->title) ?: $item->kind)."-{$number}.{$ending}";

        return response($bytes, 200, [
            'Content-Type' => $type,
            'Content-Disposition' => "attachment; filename=\"{$name}\"",
            'Content-Security-Policy' => "default-src 'none'; img-src data:; style-src 'unsafe-inline'; sandbox",
        ]);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\Controller;
use App\Jobs\Progress;
use App\Models\Item;
use App\Models\LogLine;
use App\Models\Version;
use App\Store\States;
use App\View\Sources\Files;
use App\View\Sources\PictureAddresses;
use App\View\Sources\SaidAlong;
use App\View\Sources\WrittenFile;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\JsonWriter;
use MistyAttic\Core\Formats\SaidInFile;
use MistyAttic\Core\Formats\TrackedTree;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Store\ChunkStore;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\StreamedResponse;

final class DownloadController extends Controller
{
    public function __invoke(
        Request $request,
        Item $item,
        int $number,
        string $format,
        States $states,
        ChunkStore $chunks,
        Progress $progress,
        PictureAddresses $pictures,
    ): Response|StreamedResponse {
        Gate::authorize('view', $item);
        LogLine::ofItem('downloaded', $this->person($request), $item, ['number' => (string) $number, 'format' => $format]);
        $version = $this->version($item, $number)->setRelation('item', $item);
        $files = $item->room(Files::class);
        $said = null;
        abort_unless(isset(($request->boolean('said') ? $files->noted() : $files->named())[$format]), 404);
        if ($request->boolean('said')) {
            Gate::authorize('talk', $item);
            $said = new SaidAlong($item, $version);
        }
        if ($format === 'json') {
            return $this->json(
                $item,
                $version,
                $said?->said() ?? [],
                $said?->proposed($states) ?? [],
                $states->tree($version->root),
                $chunks,
            );
        }
        if ($said !== null) {
            return $this->file($item, $number, $format, $files->writeNoted($version, $format, $said->notes()) ?? abort(404));
        }
        $tab = $request->query('tab');
        $file
            = $files->write($version, $format, $pictures->of($item), is_string($tab) ? $tab : null, $progress->between(0, 1)) ?? abort(404);

        return $this->file($item, $number, $format, $file);
    }

    /**
     * All of it, with ids and pictures, as it can come in again.
     *
     * @param  list<SaidInFile>  $said
     * @param  list<TrackedTree>  $proposed
     */
    private function json(
        Item $item,
        Version $version,
        array $said,
        array $proposed,
        PartTree $tree,
        ChunkStore $chunks,
    ): Response|StreamedResponse {
        $kind = Kinds::named($item->kind);
        $wanted = array_values(
            array_unique(
                array_merge(
                    ...array_map(fn (PartTree $of): array => Kinds::chunks($kind, $of), [$tree, ...array_column($proposed, 'tree')]),
                ),
            ),
        );
        $own = $item->pictures()->whereIn('chunk', $wanted)->pluck('chunk')->all();
        $bytes = $chunks->read(array_values(array_map(fn (string $chunk) => (string) hex2bin($chunk), $own)));
        $pictures = array_combine(array_map(bin2hex(...), array_keys($bytes)), $bytes);
        ksort($pictures);

        return $this->file(
            $item,
            $version->number,
            'json',
            new WrittenFile('application/json', (new JsonWriter)->write($kind, $tree, $pictures, $said, $proposed)),
        );
    }

    private function file(Item $item, int $number, string $ending, WrittenFile $file): Response|StreamedResponse
    {
        $name = (Str::slug($item->title) ?: $item->kind)."-{$number}.{$ending}";
        $headers = [
            'Content-Type' => $file->mediaType,
            'Content-Disposition' => $file->name === null
                ? "attachment; filename=\"{$name}\""
                : HeaderUtils::makeDisposition(
                    'attachment',
                    str_replace(['/', '\\'], '-', $file->name),
                    (string) preg_replace('~[^\x20-\x7e]|[%/\\\\]~', '_', Str::ascii($file->name)),
                ),
            'Content-Security-Policy' => "default-src 'none'; img-src data:; style-src 'unsafe-inline'; sandbox",
        ];
        $bytes = $file->bytes;

        return is_string($bytes) ? response($bytes, 200, $headers) : response()->stream(function () use ($bytes): void {
            foreach ($bytes as $piece) {
                echo $piece;
            }
        }, 200, $headers);
    }
}

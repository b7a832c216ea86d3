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
use App\View\Sources\WholeFile;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Store\ChunkStore;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** A version as a file; with what was said beside it, for who may talk about it. */
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
            $json = new WholeFile($item, $chunks);

            return SentFile::of(
                $item,
                $number,
                $format,
                $json->written($states->tree($version->root), $said?->said() ?? [], $said?->proposed($states) ?? []),
            );
        }
        $tab = $request->query('tab');
        $file = $said !== null
            ? $files->writeNoted($version, $format, $said->notes())
            : $files->write($version, $format, $pictures->of($item), is_string($tab) ? $tab : null, $progress->between(0, 1));

        return SentFile::of($item, $number, $format, $file ?? abort(404));
    }
}

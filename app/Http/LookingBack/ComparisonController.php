<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\Controller;
use App\Models\Item;
use App\Report\HtmlReport;
use App\Report\Ink;
use App\Report\TextReport;
use App\Store\States;
use App\View\ChangeLine;
use App\View\Comparison;
use App\View\ComparisonSheet;
use App\View\Phrases;
use App\View\Sources\Files;
use App\View\Sources\PictureAddresses;
use App\View\Sources\TrackedChanges;
use App\View\Sources\WrittenFile;
use App\View\Talk\Talk;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use MistyAttic\Core\Compare\Telling\Statement;
use MistyAttic\Core\Files\FileComparison;
use MistyAttic\Core\Formats\Workbook\SheetFormat;
use MistyAttic\Core\Kinds\Formulas\Spelling;
use MistyAttic\Core\Kinds\Kinds;

/** A comparison of two versions as a file to take along: one page, or a table of its changes. */
final class ComparisonController extends Controller
{
    public function __invoke(
        Item $item,
        int $number,
        int $to,
        string $format,
        States $states,
        Phrases $phrases,
        PictureAddresses $pictures,
    ): Response {
        Gate::authorize('view', $item);
        $comparison = new Comparison($item, $this->version($item, $number), $this->version($item, $to), $states, $phrases, apart: true);
        $name = (Str::slug($item->title) ?: $item->kind)."-{$number}-{$to}.{$format}";
        $file = match ($format) {
            'html' => new WrittenFile('text/html; charset=utf-8', $this->page($item, $comparison)),
            'xlsx' => new WrittenFile(SheetFormat::Xlsx->mediaType(), SheetFormat::Xlsx->write(ComparisonSheet::of($comparison))),
            default => $item
                ->room(Files::class)
                ->writeTracked(
                    $comparison,
                    new TrackedChanges($comparison, Gate::denies('talk', $item) ? [] : (new Talk($item, max($number, $to)))->threads),
                    $format,
                    $pictures->of($item),
                ) ?? abort(404),
        };
        $bytes = $file->bytes;

        return response(is_string($bytes) ? $bytes : implode('', [...$bytes]), 200, [
            'Content-Type' => $file->mediaType,
            'Content-Disposition' => "attachment; filename=\"{$name}\"",
            'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'; sandbox",
        ]);
    }

    private function page(Item $item, Comparison $comparison): string
    {
        $spelled = Kinds::named($item->kind)->grid()->calculated ?? false ? Spelling::spelled(...) : fn ($tree) => $tree;
        $sentences = array_map(
            fn (ChangeLine $entry) => $entry->sentence
                .' ('
                .implode(', ', array_map(fn ($editor) => $editor->name, $entry->editors))
                .($entry->editors === [] ? '' : ' ')
                .$entry->versions()
                .')',
            $comparison->entries,
        );
        $files = FileComparison::ofVersions(
            Kinds::named($item->kind),
            $spelled($comparison->old),
            $spelled($comparison->new),
            $comparison->changes,
            array_map(fn (ChangeLine $entry): Statement => $entry->statement, $comparison->entries),
        );
        $report = new TextReport($files, $sentences, new Ink(false));

        return (new HtmlReport($files, $sentences, $report->counts()))->page(
            "{$item->title}, {$comparison->from->number}",
            "{$item->title}, {$comparison->to->number}",
        );
    }
}

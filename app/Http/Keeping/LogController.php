<?php

declare(strict_types=1);

namespace App\Http\Keeping;

use App\Http\Controller;
use App\Models\Shelf;
use App\View\Keeping\LogView;
use Illuminate\Contracts\View\View;
use MistyAttic\Core\Formats\Workbook\CsvWriter;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What was done on a shelf, for its owners. */
final class LogController extends Controller
{
    public function show(LogRequest $request, Shelf $shelf): View
    {
        return view('log', ['shelf' => $shelf, 'view' => new LogView($shelf, ...$request->asked())]);
    }

    /** All that fits, as CSV (RFC 4180), the latest first. */
    public function download(LogRequest $request, Shelf $shelf): StreamedResponse
    {
        $lines = (new LogView($shelf, ...$request->asked()))->all();

        return response()->streamDownload(
            function () use ($lines): void {
                $out = fopen('php://output', 'wb') ?: throw new \RuntimeException('There is nowhere to write to');
                fputcsv($out, array_values((array) __('log.columns')), escape: '');
                foreach ($lines as $line) {
                    fputcsv(
                        $out,
                        array_map(CsvWriter::harmless(...), [
                            $line->at->toIso8601ZuluString(),
                            $line->user->name,
                            $line->deed,
                            $line->title,
                            $line->said(),
                        ]),
                        escape: '',
                    );
                }
                fclose($out);
            },
            'log-'.$shelf->key.'.csv',
            ['Content-Type' => 'text/csv; charset=utf-8'],
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Models\Item;
use App\Models\Version;

/** Where a report last stood well before its data was changed. */
final class ReportMending
{
    /** The number of the last version of a report that was saved before a version of its dataset. */
    public static function lastGood(Item $report, Version $went): ?int
    {
        $number = $report->versions()->where('saved_at', '<', $went->saved_at->format('Y-m-d H:i:s'))->max('number');

        return is_numeric($number) ? (int) $number : null;
    }
}

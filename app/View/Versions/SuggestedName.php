<?php

declare(strict_types=1);

namespace App\View\Versions;

use App\Models\Version;
use App\View\Phrases;
use Illuminate\Support\Str;

/** A name for a version with which much was done, so that whoever keeps it need not think of one. */
final class SuggestedName
{
    /** Words that came and went, from which on it is much. */
    private const WORDS = 60;

    /** Changes, from which on it is much. */
    private const CHANGES = 8;

    private const MINUTES = 60;

    /** Versions that are looked at. */
    private const MOST = 60;

    private const LETTERS = 80;

    /**
     * By the largest of the steps that its editor took in the hour before it; null where little was done, or where one of them has a name
     * already.
     */
    public static function for(Version $version, Phrases $phrases): ?string
    {
        $steps = Version::query()
            ->with('milestone', 'item.origin')
            ->where(['item_id' => $version->item_id, 'user_id' => $version->user_id])
            ->where('number', '<=', $version->number)
            ->where('number', '>', 1)
            ->where('saved_at', '>=', $version->saved_at->subMinutes(self::MINUTES))
            ->orderByDesc('number')
            ->limit(self::MOST)
            ->get()
            ->filter(fn (Version $step) => isset($step->facts['code']));
        $words = $steps->sum(fn (Version $step) => $step->added + $step->removed);
        $isMuch = $words >= self::WORDS || $steps->sum(fn (Version $step) => 1 + ($step->facts['more'] ?? 0)) >= self::CHANGES;
        if (! $isMuch || $steps->contains(fn (Version $step) => $step->milestone !== null)) {
            return null;
        }
        $largest = $steps->sortByDesc(fn (Version $step) => [$step->added + $step->removed, $step->facts['more'] ?? 0])->first();

        return $largest === null ? null : Str::limit($phrases->version($largest), self::LETTERS, '…', preserveWords: true);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Models\Version;
use App\Store\States;
use App\View\ChangeLine;
use App\View\Comparison;
use App\View\Phrases;

/** The lines that somebody ticked of the plan of a restore, as the changes that lead back. */
final readonly class TickedLines
{
    public function __construct(private Phrases $phrases) {}

    /**
     * @param  array<string, mixed>  $sent  see {@see RestoreRequest::rules}
     * @return list<string>|null null for all of the plan, and where the newest version is another one than was looked at
     */
    public function of(array $sent, Version $version, Version $newest, States $states): ?array
    {
        $ticked = $sent['pick'] ?? [];
        // A report's data alone may be ticked.
        $isAll = ! isset($sent['lines']) ? ($sent['data'] ?? []) === [] : count(array_unique($ticked)) >= (int) $sent['lines'];
        if ($isAll || $newest->number !== (int) $sent['seen']) {
            return null;
        }
        $plan = new Comparison($version->item, $version, $newest, $states, $this->phrases, apart: true, whole: true);
        $entries = array_intersect_key($plan->entries, array_flip(array_map(intval(...), $ticked)));

        return array_merge([], ...array_map(fn (ChangeLine $entry) => $entry->statement->keysBack(), array_values($entries)));
    }
}

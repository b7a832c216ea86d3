<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\Item;
use App\Models\LogLine;
use App\Models\User;
use App\Store\WhatIsKept;

/** Does what the rules of an item say, and writes down what went. */
final readonly class KeepByRules
{
    public function __construct(private LetGo $letGo) {}

    /**
     * @param  User|null  $by  who wants it now; null for the night
     * @return int versions that went
     */
    public function handle(Item $item, ?User $by = null): int
    {
        $rules = WhatIsKept::item($item);
        $gone = $rules->thins() ? $this->letGo->handle($item, (new Rehearsed($item, $rules))->go) : 0;
        if ($gone > 0) {
            LogLine::ofItem('thinned', $by ?? User::place(), $item, ['count' => (string) $gone, 'rule' => $rules->noted()]);
        }

        return $gone;
    }

    /**
     * Versions that somebody chose.
     *
     * @param  list<int>  $numbers
     */
    public function byHand(Item $item, User $by, array $numbers, string $reason): int
    {
        $gone = $this->letGo->handle($item, (new Rehearsed($item, WhatIsKept::item($item), $numbers))->go);
        if ($gone > 0 && $numbers !== []) {
            LogLine::ofItem('versions_deleted', $by, $item, [
                'count' => (string) $gone,
                'from' => (string) min($numbers),
                'to' => (string) max($numbers),
                'reason' => $reason,
            ]);
        }

        return $gone;
    }
}

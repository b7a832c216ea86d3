<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\LogLine;
use App\Models\Shelf;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/**
 * Says of which kinds a shelf keeps a history. What is there stays as it is; what is written over where it is switched off is gone for
 * good.
 */
final class KeepKinds
{
    /** @param list<string> $off kinds without a history from now on */
    public function handle(Shelf $shelf, User $owner, array $off): void
    {
        DB::transaction(function () use ($shelf, $owner, $off): void {
            $before = $shelf->refresh()->unkept_kinds;
            sort($off);
            $shelf->update(['unkept_kinds' => $off]);
            foreach (['kinds_kept' => array_diff($before, $off), 'kinds_not_kept' => array_diff($off, $before)] as $deed => $kinds) {
                $kinds === [] || LogLine::ofShelf($deed, $owner, $shelf, facts: ['kinds' => self::named($kinds)]);
            }
        });
    }

    /** @param array<string> $kinds */
    public static function named(array $kinds): string
    {
        return collect($kinds)->map(fn (string $kind): string => (string) __("item.kinds.{$kind}"))->join(', ', ' and ');
    }
}

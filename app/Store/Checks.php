<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Stringable;

/** What the place checked by itself said last, for whoever keeps it. */
final class Checks
{
    public static function note(string $name, Stringable $said, bool $isWell): void
    {
        DB::table('checks')->upsert(
            [
                'name' => $name,
                'said' => mb_substr(trim(mb_scrub((string) $said)), -500),
                'is_well' => $isWell,
                'at' => now()->format('Y-m-d H:i:s'),
            ],
            ['name'],
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\LogLine;
use App\Models\PlaceLine;
use App\Models\Role;
use App\Models\Shelf;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Makes a shelf, owned by who makes it. */
final class MakeShelf
{
    public function handle(User $owner, string $name, string $about = ''): Shelf
    {
        return DB::transaction(function () use ($owner, $name, $about): Shelf {
            $shelf = Shelf::query()->create(['key' => Str::lower(Str::random(12)), 'name' => $name, 'about' => $about]);
            $shelf
                ->memberships()
                ->create([
                    'user_id' => $owner->id,
                    'role' => Role::Owner,
                    'place' => 1 + (int) $owner->shelves()->max('memberships.place'),
                ]);
            LogLine::ofShelf('made', $owner, $shelf);
            PlaceLine::note($owner, 'shelf_made', $name);

            return $shelf;
        });
    }
}

<?php

declare(strict_types=1);

namespace App\Past;

use App\Models\LogLine;
use App\Models\Milestone;
use App\Models\Shelf;
use App\Models\ShelfMilestone;
use App\Models\User;
use App\Models\Version;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;

/** Lays a name over a moment of a shelf, and over the version that each of its items was in; one that has a name keeps it. */
final readonly class MarkShelf
{
    public function __construct(private MarkMilestone $mark) {}

    /** @return int how many versions were named */
    public function handle(Shelf $shelf, User $person, CarbonImmutable $moment, string $name): int
    {
        $then = new ShelfThen($shelf, $person);
        $numbers = array_filter(
            $then->numbers($moment),
            fn (int $id) => Gate::forUser($person)->allows('write', $then->item($id)),
            ARRAY_FILTER_USE_KEY,
        );

        return DB::transaction(function () use ($shelf, $person, $moment, $name, $numbers): int {
            ShelfMilestone::query()->create(['shelf_id' => $shelf->id, 'user_id' => $person->id, 'name' => $name, 'at' => $moment]);
            LogLine::ofShelf('shelf_marked', $person, $shelf, facts: ['name' => $name, 'moment' => $moment->format('j F Y, H:i').' UTC']);
            $named = 0;
            foreach (
                Version::query()
                    ->numbered(array_map(fn (int $id, int $number): array => [$id, $number], array_keys($numbers), array_values($numbers)))
                    ->whereNotIn('id', Milestone::query()->select('version_id'))
                    ->get() as $version
            ) {
                $this->mark->handle($version, $person, $name);
                $named++;
            }

            return $named;
        });
    }
}

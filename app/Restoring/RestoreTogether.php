<?php

declare(strict_types=1);

namespace App\Restoring;

use App\Models\Cause;
use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use Illuminate\Support\Facades\DB;

/** Restores a report and datasets that it is drawn from: all of it lands, or none, and it is taken back together. */
final readonly class RestoreTogether
{
    public function __construct(private RestoreVersion $restore) {}

    /**
     * @param  list<array{item: Item, version: Version, seen: int, picked: list<string>|null}>  $wanted  the number that was newest when the
     *     plan was shown; null picks all
     * @return list<Version>|null null when something was saved since the plan was shown; then nothing was restored
     */
    public function handle(User $editor, array $wanted): ?array
    {
        try {
            return DB::transaction(function () use ($editor, $wanted): array {
                $made = array_map(
                    fn (array $one) => $this->restore->handle(
                        $one['item'],
                        $one['version'],
                        $editor,
                        $one['seen'],
                        picked: $one['picked'],
                    ) ?? throw new \DomainException('moved on'),
                    $wanted,
                );

                return $this->joined($made);
            });
        } catch (\DomainException) {
            return null;
        }
    }

    /** @return list<Version>|null the versions that undo what was restored together; null when one of them is not the newest any more */
    public function undo(User $editor, Version $version): ?array
    {
        try {
            return DB::transaction(function () use ($editor, $version): array {
                $made = [];
                foreach (
                    Version::query()
                        ->with('item')
                        ->where('with_id', $version->with_id)
                        ->whereIn('cause', [Cause::Restored, Cause::BroughtBack])
                        ->orderBy('id')
                        ->get() as $one
                ) {
                    $before = Version::query()
                        ->where(['item_id' => $one->item_id, 'number' => $one->item->before($one->number)])
                        ->firstOrFail();
                    $made[] = $this->restore->handle($one->item, $before, $editor, $one->number, Cause::TookBack)
                    ?? throw new \DomainException('moved on');
                }

                return $this->joined($made);
            });
        } catch (\DomainException) {
            return null;
        }
    }

    /**
     * @param  list<Version>  $made
     * @return list<Version>
     */
    private function joined(array $made): array
    {
        if (count($made) > 1) {
            Version::query()->whereKey(array_map(fn (Version $version) => $version->id, $made))->update(['with_id' => $made[0]->id]);
        }

        return $made;
    }
}

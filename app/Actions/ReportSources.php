<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Item;
use App\Models\User;
use Illuminate\Database\Eloquent\Collection;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Report\ReportKind;

/** The datasets that somebody may draw a report from: those on their shelves, and no other by its key alone. */
final class ReportSources
{
    /** @return Collection<int, Item> */
    public static function of(User $user): Collection
    {
        return Item::query()->where('kind', 'dataset')->whereIn('shelf_id', $user->shelves()->pluck('shelves.id'))->orderBy('title')->get();
    }

    /**
     * Whether all that a report names may be drawn from, or was named before.
     *
     * @param  PartTree|null  $before  what others chose stays
     */
    public static function allowed(User $user, PartTree $report, ?PartTree $before = null): bool
    {
        return array_diff(ReportKind::sources($report), $before === null ? [] : ReportKind::sources($before), self::of($user)->pluck('key')->all()) === [];
    }
}

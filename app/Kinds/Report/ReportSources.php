<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Models\Cause;
use App\Models\Item;
use App\Models\User;
use App\Saving\Written;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Report\ReportKind;

/** The datasets that somebody may draw a report from: those on their shelves, and no other by its key alone. */
final class ReportSources
{
    /** @return Collection<int, Item> */
    public static function of(User $user): Collection
    {
        return Item::query()
            ->standing()
            ->where('kind', 'dataset')
            ->whereIn('shelf_id', $user->shelves()->pluck('shelves.id'))
            ->orderBy('title')
            ->get();
    }

    /**
     * Asked wherever a report is written: all that it names now and did not before must be for its editor to see. What an
     * earlier state named stays, and comes back with it: whoever looks sees no more of it than they may.
     *
     * @throws ValidationException
     */
    public static function check(User $editor, Written $written, PartTree $before, PartTree $after): void
    {
        $new = array_diff(ReportKind::sources($after), ReportKind::sources($before));
        if (
            $new !== []
            && in_array($written->cause, [Cause::Made, Cause::Wrote, Cause::Settled], true)
            && array_diff($new, self::of($editor)->pluck('key')->all()) !== []
        ) {
            throw ValidationException::withMessages(['source' => __('report.no_dataset')]);
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Item;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Compare\Change;
use MistyAttic\Core\Compare\ChangeSet;
use MistyAttic\Core\Compare\ChangeType;
use MistyAttic\Core\Content\Part;

/** What comes from another item is changed there: here a dataset that follows has only what is calculated, and how its fields look. */
final class FollowedData
{
    /**
     * Asked wherever a state is written, by whatever road it comes.
     *
     * @param  ChangeSet  $changes  to the newest state
     *
     * @throws ValidationException
     */
    public static function check(Item $dataset, ChangeSet $changes): void
    {
        foreach ($changes->changes as $change) {
            if (self::comesFrom($change)) {
                $why = __('data.comes_from', ['title' => (string) $dataset->source?->title]);

                throw ValidationException::withMessages(['base' => $why, 'seen' => $why]);
            }
        }
    }

    private static function comesFrom(Change $change): bool
    {
        $part = $change->after ?? $change->before;

        return $part instanceof Part && ($part->role === 'record' || ($part->string('expression') === '' && in_array($change->type, [ChangeType::Added, ChangeType::Removed], true)));
    }
}

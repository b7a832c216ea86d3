<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Following;

use App\Models\Item;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Dataset\DatasetKind;

/** What comes from another item is changed there: here a dataset that follows has only what is calculated, and what its fields are. */
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
        $typed = [];
        foreach ($changes->changes as $change) {
            if ($change->before !== null && $change->after !== null && $change->after->role === 'field') {
                $typed[$change->id] = [$change->before, $change->after];
            }
        }
        foreach ($changes->changes as $change) {
            if (self::comesFrom($dataset, $change, $typed)) {
                $why = __('data.comes_from', ['title' => (string) $dataset->source?->title]);

                throw ValidationException::withMessages(['base' => $why, 'seen' => $why]);
            }
        }
    }

    /** @param array<string, array{Part, Part}> $typed fields that were edited, before and after */
    private static function comesFrom(Item $dataset, Change $change, array $typed): bool
    {
        $part = $change->after ?? $change->before;
        $isOwn
            = array_filter([$change->before, $change->after], fn (?Part $side) => $side !== null && $side->string('expression') === '') === [];
        if (! ($part instanceof Part) || $isOwn) {
            return false;
        }
        if ($change->before === null || $change->after === null || $change->type !== ChangeType::Edited) {
            return true;
        }
        if ($part->role === 'field') {
            // What a field is, can be said of one that comes from a tab; of one that comes from a form its question says it.
            return array_diff(
                $change->fields(),
                $dataset->source?->kind === 'form' ? [] : ['type', 'choices', 'decimal', 'currency', 'days'],
            ) !== [];
        }
        foreach ($change->fields() as $field) {
            if (
                ! isset($typed[$field])
                || ! (new DatasetKind)->isReadAs(
                    $typed[$field][0],
                    $typed[$field][1],
                    $change->before->fields[$field] ?? null,
                    $change->after->fields[$field] ?? null,
                )
            ) {
                return true;
            }
        }

        return false;
    }
}

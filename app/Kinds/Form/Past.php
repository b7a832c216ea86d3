<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Models\Item;
use App\View\Blocks;
use App\View\ChangeLine;
use App\View\LookedAt;
use App\View\Past as Plain;
use MistyAttic\Core\Compare\Changes\ChangeType;

/** A form is looked at question by question, with the way through it. */
final class Past extends Plain
{
    public const VIEW = 'kinds.form.past';

    public const TELLS_AUTHORS = false;

    public function of(LookedAt $at): array
    {
        $was = $at->asItWas();

        return [
            'form' => new FormRows(
                $was ? Blocks::plain($at->kind, $at->comparison->old) : Blocks::compared($at->kind, $at->comparison),
                ! $was && $at->address->rows === 'changed',
            ),
            'flow' => new FlowMap($at->comparison->old, $was ? $at->comparison->old : $at->comparison->new),
            'fromLive' => $was ? $at->wasLive() : null,
        ];
    }

    /** What becomes of answers when a form loses its questions, or gets them back with a restore. */
    public function asides(Item $item, array $entries, string $way): array
    {
        $gone = array_map(
            fn (ChangeLine $entry): array => $entry->statement->ids,
            array_filter($entries, fn (ChangeLine $entry): bool => $entry->statement->type === ChangeType::Removed),
        );
        $answers = EntryList::answered($item, array_values(array_unique(array_merge([], ...$gone))));
        $counts = array_map(fn (array $ids): int => array_sum(array_intersect_key($answers, array_flip($ids))), $gone);

        return array_map(
            fn (int $count): string => trans_choice("form.{$way}", $count, ['count' => (string) $count]),
            array_filter($counts),
        );
    }

    public function switches(LookedAt $at): array
    {
        return self::rows($at->address);
    }
}

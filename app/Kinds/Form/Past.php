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
            'form' => new FormRows($was ? Blocks::plain($at->kind, $at->comparison->old) : Blocks::compared($at->kind, $at->comparison), ! $was && $at->address->rows === 'changed'),
            'flow' => new FlowMap($at->comparison->old, $was ? $at->comparison->old : $at->comparison->new),
            'fromLive' => $was ? $at->wasLive() : null,
        ];
    }

    /** What becomes of answers when a form loses its questions, or gets them back with a restore. */
    public function aside(Item $item, ChangeLine $entry, string $way): ?string
    {
        $count = $entry->statement->type === ChangeType::Removed ? EntryList::answered($item, $entry->statement->ids) : 0;

        return $count === 0 ? null : trans_choice("form.{$way}", $count, ['count' => (string) $count]);
    }

    public function switches(LookedAt $at): array
    {
        return self::rows($at->address);
    }
}

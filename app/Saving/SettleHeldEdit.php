<?php

declare(strict_types=1);

namespace App\Saving;

use App\Models\Cause;
use App\Models\HeldEdit;
use App\Models\User;
use App\Store\HandedRoots;
use App\Store\States;
use DomainException;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Merge\Choice;
use MistyAttic\Core\Merge\Settlement;

/**
 * Settles an edit that was held back: the choice is written into the state in which it was held back and goes the way of
 * every save from there, so that what came in between is merged. If it meets something again, it waits again.
 */
final readonly class SettleHeldEdit
{
    public function __construct(private States $states, private SaveState $save, private HandedRoots $handed) {}

    /** @throws DomainException when it was settled in the meantime */
    public function handle(HeldEdit $held, User $editor, Choice $choice, ?string $third = null): ?Saved
    {
        $settle = fn (): bool => HeldEdit::query()
            ->whereKey($held->id)
            ->whereNull('settled_at')
            ->update(['settled_as' => $choice, 'settled_at' => now()]) > 0 || throw new DomainException('It is settled already');
        if ($choice === Choice::Theirs) {
            $settle();

            return null;
        }
        $conflict = $held->meeting();
        $marks = $conflict->meeting->mine->runs[0]->marks ?? [];
        $wanted = Settlement::of(
            $this->states->tree($held->root),
            $conflict,
            $choice,
            $third === null ? null : new RichText([new Run($third, $marks)]),
        );
        $this->handed->keep($held->item, $held->root);
        $saved = $this->save->handle(
            $held->item,
            $editor,
            new Sent($held->root, $wanted, 'settle-'.$held->id, cause: Cause::Settled),
            $settle,
        );

        return $saved instanceof Saved ? $saved : throw new \LogicException('The state of a held edit is known');
    }
}

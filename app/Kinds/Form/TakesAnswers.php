<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Models\Item;
use App\Models\Publishing;
use App\Models\User;
use App\Store\States;
use App\Words\Days;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Form\Opening;

/** Whether a form takes answers from somebody now. Asked before the page is shown, and again in the transaction that takes them. */
final readonly class TakesAnswers
{
    public function __construct(private States $states) {}

    /** Why it takes none; null when it does. */
    public function closed(Item $form, Publishing $live, ?User $person): ?string
    {
        if (! $form->isStanding() || $form->shelf->archived_at !== null) {
            return (string) __('form.closed.deleted');
        }
        $settings
            = array_values(array_filter($this->states->tree($live->version->root)->parts, fn (Part $part) => $part->role === 'settings'))[0]
            ?? null;
        $opening = new Opening($settings);
        $code = $opening->closed(now()->format('Y-m-d'), $person?->email, $person !== null && $this->hasAnswered($form, $person));

        return $code === null
            ? null
            : (string) __("form.closed.{$code}", [
                'date' => in_array($code, ['opens', 'closes'], true) ? Days::said($opening->date($code)) : '',
            ]);
    }

    private function hasAnswered(Item $form, User $person): bool
    {
        return $form
            ->entries()
            ->whereNull('deleted_at')
            ->whereHas('versions', fn ($query) => $query->where(['number' => 1, 'user_id' => $person->id]))
            ->exists();
    }
}

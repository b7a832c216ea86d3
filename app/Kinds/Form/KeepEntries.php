<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Models\Cause;
use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use Illuminate\Support\Facades\DB;

/** Switches the history of a form's entries off or on. The switch is a version of the form, and no restore turns it. */
final class KeepEntries
{
    public function handle(Item $form, User $owner, bool $keeps): void
    {
        DB::transaction(function () use ($form, $owner, $keeps): void {
            if ($form->refresh()->keeps_entries === $keeps) {
                return;
            }
            $version = new Version([
                'item_id' => $form->id,
                'number' => $form->head + 1,
                'root' => $form->root,
                'title' => $form->title,
                'user_id' => $owner->id,
                'cause' => Cause::Wrote,
                'kept' => true,
                'facts' => ['code' => $keeps ? 'history_on' : 'history_off', 'values' => [], 'more' => 0],
                'added' => 0,
                'removed' => 0,
                'started_at' => now(),
                'saved_at' => now(),
            ]);
            $version->save();
            $form->update(['head' => $version->number, 'keeps_entries' => $keeps, 'changed_at' => now()]);
            if ($keeps) {
                // What was written meanwhile is a version like others from now on.
                Version::query()->whereIn('item_id', $form->entries()->select('id'))->where('unkept', true)->update(['kept' => true]);
            }
        });
    }
}

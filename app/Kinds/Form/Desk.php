<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Models\Item;
use App\Models\User;
use App\View\Desks\TextDesk;
use Illuminate\Http\RedirectResponse;

/** A form is written question by question, with the way through it; readers answer it. */
final class Desk extends TextDesk
{
    public const TOOLS = 'kinds.form.tools';

    public const TEXT = 'form-sheet';

    public function of(Item $item, User $person, string $shown): array
    {
        return ['flow' => $this->flow($item), 'answered' => (object) EntryList::counts($item)];
    }

    public function flow(Item $item): FlowMap
    {
        $form = $this->states->tree($item->root);

        return new FlowMap($form, $form);
    }

    public function read(Item $item, User $person): RedirectResponse
    {
        return redirect()->route('answer', $item);
    }
}

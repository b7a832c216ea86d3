<?php

declare(strict_types=1);

namespace App\Http\Writing;

use App\Http\Controller;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Saving\SettleHeldEdit;
use App\Store\States;
use App\View\Past;
use App\View\Plans\HeldEditView;
use DomainException;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Merge\Choice;

final class HeldEditController extends Controller
{
    public function show(Request $request, Item $item, HeldEdit $held, States $states): View|RedirectResponse
    {
        Gate::authorize('settle', [$item, $held]);

        return $held->settled_at === null
            ? view('settle', [
                'item' => $item,
                'past' => $item->room(Past::class),
                'held' => $held->loadMissing('user', 'met'),
                'own' => $held->user_id === $this->person($request)->id,
                'view' => new HeldEditView($held, $this->person($request), $states),
            ])
            : redirect()->route('item', $item)->with('said', __('item.settled_already'));
    }

    public function update(SettleRequest $request, Item $item, HeldEdit $held, SettleHeldEdit $settle): RedirectResponse
    {
        if ($held->settled_at !== null) {
            return redirect()->route('item', $item)->with('said', __('item.settled_already'));
        }
        $sent = $request->validated();
        try {
            $saved = $settle->handle(
                $held,
                $this->person($request),
                Choice::from($sent['choice']),
                isset($sent['third']) ? str_replace("\r\n", "\n", (string) $sent['third']) : null,
            );
        } catch (DomainException) {
            return redirect()->route('item', $item)->with('said', __('item.settled_already'));
        }

        return ($saved === null ? null : $this->waiting($item, $saved->version))
            ?? redirect()->route('item', $item)->with('said', __($saved !== null && $saved->held !== [] ? 'item.met_again' : 'item.settled'));
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Http\Controller;
use App\Models\Item;
use App\Models\User;
use App\Restoring\TakeOutEdits;
use App\Store\States;
use App\View\Past;
use App\View\Phrases;
use App\View\Plans\TakeOutPlan;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;

/** Taking out what one person wrote between two versions. */
final class TakeOutController extends Controller
{
    public function show(TakeOutRequest $request, Item $item, TakeOutEdits $takeOut, States $states, Phrases $phrases): View
    {
        [$from, $to, $author, $tab] = $this->asked($request, $item);
        $merged = $takeOut->rehearse($item, $from, $to, $author, $tab);
        $now = $states->tree($item->root);

        return view('take-out', [
            'item' => $item, 'from' => $from, 'to' => $to, 'author' => $author, 'tab' => $tab, 'tabs' => $item->room(Past::class)->tabs($now), 'phrases' => $phrases,
            'numbers' => $takeOut->numbers($item, $from, $to, $author),
            'mixed' => $takeOut->mixed($item, $from, $to, $author),
            'plan' => $merged === null ? null : new TakeOutPlan($item, $now, $merged, $phrases),
        ]);
    }

    public function store(TakeOutRequest $request, Item $item, TakeOutEdits $takeOut): RedirectResponse
    {
        [$from, $to, $author, $tab] = $this->asked($request, $item);
        $seen = (int) $request->validated('seen');
        $version = $takeOut->handle($item, $from, $to, $author, $this->person($request), $seen, $tab);
        if ($version === null) {
            return redirect()->route('take-out', ['item' => $item, 'from' => $from, 'to' => $to, 'by' => $author->id])->withErrors(['seen' => __($item->head === $seen ? 'history.take_out.nothing' : 'history.moved_on')]);
        }

        return $this->waiting($item, $version) ?? redirect()->route('history', ['item' => $item, 'from' => $version->number - 1, 'to' => $version->number])
            ->with('said', __('item.took_out', ['who' => $author->firstName(), 'number' => (string) $version->number]));
    }

    /** @return array{int, int, User, string|null} from, to, whose, and the tab that alone is meant */
    private function asked(TakeOutRequest $request, Item $item): array
    {
        $sent = $request->validated();
        $author = User::query()->find((int) $sent['by']);
        abort_if($author === null || $item->versions()->where('user_id', $author->id)->doesntExist(), 404);

        return [min((int) $sent['from'], (int) $sent['to']), max((int) $sent['from'], (int) $sent['to']), $author, $item->hasTabs() ? $sent['tab'] ?? null : null];
    }
}

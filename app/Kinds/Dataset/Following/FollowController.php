<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Following;

use App\Http\Controller;
use App\Kinds\Dataset\MayFill;
use App\Making\StopFollowing;
use App\Models\Item;
use App\Store\States;
use App\View\Phrases;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Telling\Detail;
use MistyAttic\Core\Compare\Telling\Statements;
use MistyAttic\Core\Kinds\Dataset\DatasetKind;

/** A dataset stops following what it is filled from, or begins again. */
final class FollowController extends Controller
{
    /** Changes that are listed before a dataset follows again. */
    private const LISTED = 40;

    public function __construct(private readonly TakeInData $take) {}

    /** What goes by it is shown first. */
    public function __invoke(
        FollowRequest $request,
        Item $item,
        States $states,
        Phrases $phrases,
        StopFollowing $stop,
    ): RedirectResponse|View {
        abort_unless($item->kind === 'dataset' && $item->source !== null, 404);
        $sent = $request->validated();
        if (! $sent['follow']) {
            $stop->handle($item);

            return redirect()->route('item', $item)->with('said', __('data.stays'));
        }
        abort_unless(MayFill::reads($this->person($request), $item->source), 403);
        [$before, $after] = [$states->tree($item->root), $this->take->following($item)];
        if ($after !== null && ! $after->equals($before) && (int) ($sent['seen'] ?? 0) !== $item->head) {
            $statements = Statements::of(new DatasetKind, $before, $after, TreeCompare::of($before, $after), Detail::Listed);

            return view('kinds.dataset.follow', [
                'item' => $item,
                'sentences' => array_map($phrases->statement(...), array_slice($statements, 0, self::LISTED)),
                'more' => max(0, count($statements) - self::LISTED),
            ]);
        }
        $this->take->follow($item, $this->person($request));

        return redirect()->route('item', $item)->with('said', __('data.follows'));
    }
}

<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\Controller;
use App\Http\Restoring\BringBackRequest;
use App\Models\Item;
use App\Models\Version;
use App\Restoring\PutPartBack;
use App\Restoring\RestoreVersion;
use App\Store\States;
use App\View\ColumnsOf;
use App\View\PartStep;
use App\View\Past;
use App\View\Phrases;
use App\View\Story;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;

/** One part's own history. */
final class PartController extends Controller
{
    public function show(Request $request, Item $item, string $part, States $states, Phrases $phrases): View
    {
        Gate::authorize('draft', $item);
        $past = $item->room(Past::class);
        $story = $past->story($item, $part, $phrases);
        abort_if($story->steps === [], 404);

        return view('part', ['item' => $item, 'part' => $part, 'past' => $past, 'story' => $story, 'mayRestore' => Gate::allows('restore', $item), 'back' => $this->backTo($item, $past, $story), 'hanging' => array_values(array_filter($past->hanging($item, $this->person($request)), fn (array $one) => in_array($part, $one['fields'], true)))]);
    }

    /**
     * The versions that it is brought back from: of what is gone, the state right before is what one wants; of a dataset, what was calculated meanwhile comes with it.
     *
     * @return list<int|null> by step; null where there is nothing to bring back
     */
    private function backTo(Item $item, Past $past, Story $story): array
    {
        return array_map(fn (PartStep $step, int $at): ?int => match (true) {
            $step->part === null => $step->isNow && $at === 0 ? $item->before($step->version->number) : null,
            $step->isNow => null,
            $past::CALCULATES && $at > 0 => $item->before($story->steps[$at - 1]->version->number),
            default => $step->version->number,
        }, $story->steps, array_keys($story->steps));
    }

    /** Brings the part back, with what is below it, as a version left it. */
    public function store(BringBackRequest $request, Item $item, string $part, int $number, RestoreVersion $restore, PutPartBack $put, States $states): RedirectResponse
    {
        $sent = $request->validated();
        $version = $this->version($item, $number);
        $tree = $states->tree($version->root);
        abort_unless($tree->has($part), 404);
        $keys = $item->room(Past::class)->back($tree, fn () => $states->tree($item->root), $part);
        $kind = Kinds::named($item->kind);
        if ($kind->beside() !== null) {
            $keys[] = "moved:{$part}";
            $column = $this->columnGone($kind, $states->tree($item->root), $tree, $part);
            $into = $sent['into'] ?? null;
            if ($column !== null && $into === null) {
                return redirect()->route('part.where', [$item, $part, $number]);
            }
            if ($column !== null && $into !== $column) {
                $back = $put->handle($item, $version, $this->person($request), (int) $sent['seen'], $part, (string) $into);

                return $back === null ? redirect()->route('part.where', [$item, $part, $number])->withErrors(['into' => __('history.place.gone')]) : $this->landed($item, $back, $number);
            }
        }
        $back = $restore->handle($item, $version, $this->person($request), (int) $sent['seen'], picked: $keys);
        if ($back === null) {
            return redirect()->route('part', [$item, $part])->withErrors(['seen' => __($item->head === (int) $sent['seen'] ? 'history.part.same' : 'history.moved_on')]);
        }

        return $this->landed($item, $back, $number);
    }

    /** Asks where a block goes whose column is gone. */
    public function where(Item $item, string $part, int $number, States $states): View
    {
        Gate::authorize('restore', $item);
        $version = $this->version($item, $number);
        [$then, $now] = [$states->tree($version->root), $states->tree($item->root)];
        $kind = Kinds::named($item->kind);
        $column = $then->has($part) ? $this->columnGone($kind, $now, $then, $part) : null;
        abort_if($column === null, 404);
        $section = $then->parent($column);

        return view('place', [
            'item' => $item, 'part' => $part, 'version' => $version, 'own' => $column, 'places' => new ColumnsOf($kind, $now),
            'name' => $kind->label($then, $then->get($part)), 'ownSection' => $section === PartTree::ROOT ? '' : $kind->label($then, $then->get($section)),
        ]);
    }

    /** The column that a block stood in, if it is there no more. */
    private function columnGone(Kind $kind, PartTree $now, PartTree $then, string $part): ?string
    {
        $parent = $then->parent($part);

        return $kind->beside() !== null && $parent !== PartTree::ROOT && $then->get($parent)->role === $kind->beside() && ! $now->has($parent) ? $parent : null;
    }

    private function landed(Item $item, Version $back, int $number): RedirectResponse
    {
        return $this->waiting($item, $back) ?? redirect()->route('history', ['item' => $item, 'from' => $back->number - 1, 'to' => $back->number])
            ->with('said', __($item->live === null ? 'item.part_back' : 'item.part_back_draft', ['source' => (string) $number, 'number' => (string) $back->number, 'live' => (string) $item->live?->version->number]));
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Http\ChosenParts;
use App\Http\Controller;
use App\Making\StopFollowing;
use App\Models\Cause;
use App\Models\Item;
use App\Models\Milestone;
use App\Models\Publishing;
use App\Models\Version;
use App\Publishing\PublishVersion;
use App\Restoring\RestoreTogether;
use App\Restoring\RestoreVersion;
use App\Store\States;
use App\View\ChangeLine;
use App\View\Comparison;
use App\View\Past;
use App\View\Phrases;
use App\View\Plans\RestorePlan;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use MistyAttic\Core\Kinds\Kinds;

final class RestoreController extends Controller
{
    public function __construct(private readonly RestoreTogether $together, private readonly PublishVersion $publish, private readonly StopFollowing $stop) {}

    public function show(Request $request, Item $item, int $number, States $states, Phrases $phrases): View
    {
        Gate::authorize('restore', $item);
        $version = $this->version($item, $number);
        $chosen = ChosenParts::of($request);
        $since = new Comparison($item, $version, $this->version($item, $item->head), $states, $phrases, apart: true, whole: true);

        return view('restore', [
            'item' => $item,
            'version' => $version,
            'phrases' => $phrases,
            'live' => $item->isPublishable() ? $item->live : null,
            'waits' => $item->shelf->wantsYesOf($this->person($request), $item),
            'plan' => new RestorePlan($since, Kinds::named($item->kind), array_values(array_map(intval(...), $item->versions()->whereIn('number', RestorePlan::around($number, $item->head))->pluck('number')->all())), $chosen !== [] || ! $request->filled('part') ? $chosen : [$request->string('part')->toString()], $chosen !== []),
            'data' => null,
            ...$item->room(Past::class)->plan($item, $version, $this->person($request), $phrases),
            'milestones' => Milestone::query()->where('item_id', $item->id)->count(),
        ]);
    }

    /** All of it, or the lines of the plan that are ticked. */
    public function store(RestoreRequest $request, Item $item, int $number, RestoreVersion $restore, States $states, Phrases $phrases): RedirectResponse
    {
        $sent = $request->validated();
        $live = $request->isLive();
        $version = $this->version($item, $number);
        if (($sent['data'] ?? []) !== []) {
            return $this->together($request, $item, $version, $sent, $states, $phrases);
        }
        $picked = $this->picked($sent, $item, $version, $states, $phrases);
        $restoring = fn (): ?Version => $restore->handle($item, $version, $this->person($request), (int) $sent['seen'], picked: $picked);
        // Worked out while others may write, but for what is one with it.
        $restored = ! $this->stopsFollowing($request, $item) ? $restoring() : DB::transaction(function () use ($item, $restoring): ?Version {
            $this->stop->handle($item);

            return $restoring();
        });
        if ($restored === null) {
            return redirect()->route('restore', [$item, $number])->withErrors(['seen' => __($item->root === $version->root && $item->title === $version->title ? 'history.same' : 'history.moved_on')]);
        }

        return $this->waiting($item, $restored) ?? redirect()->route('history', ['item' => $item, 'from' => $restored->number - 1, 'to' => $restored->number])
            ->with('restored', $restored->number)->with('said', $this->said($item, $restored, $live ? $this->publish->handle($restored->setRelation('item', $item), $this->person($request)) : null));
    }

    /** How it will be, if what is ticked comes back. */
    public function seen(RestoreRequest $request, Item $item, int $number, HowItWillBe $page, RestoreVersion $restore, Phrases $phrases): Response|RedirectResponse
    {
        $sent = $request->validated();
        if ($item->head !== (int) $sent['seen']) {
            return redirect()->route('restore', [$item, $number])->withErrors(['seen' => __('history.moved_on')]);
        }
        [$version, $newest, $person] = [$this->version($item, $number), $this->version($item, $item->head), $this->person($request)];
        $becomes = fn (States $states): Version => $restore->becomes($states, $item, $version, $person, $this->picked($sent, $item, $version, $states, $phrases));

        return $page->show($request, $item, $person, $newest, $becomes, [
            'said' => (string) __('history.will_be_restored', ['now' => (string) $newest->number, 'next' => (string) ($newest->number + 1), 'number' => (string) $number]),
            'note' => ($sent['data'] ?? []) === [] ? null : (string) __('history.data_not_shown'),
            'plan' => route('restore', [$item, $number]), 'seen' => route('restore.seen', [$item, $number], false), 'store' => route('restore.store', [$item, $number]),
            'do' => (string) __('history.restore_so'), 'hidden' => self::again(array_intersect_key($sent, array_flip(['seen', 'lines', 'pick', 'data_seen', 'data', 'stop']))),
        ]) ?? abort(404);
    }

    /**
     * What was sent, to be sent once more.
     *
     * @param  array<array-key, mixed>  $sent
     * @return list<array{string, int|string}> names and values of hidden fields
     */
    public static function again(array $sent, string $within = ''): array
    {
        $fields = [];
        foreach ($sent as $name => $value) {
            $name = $within === '' ? (string) $name : "{$within}[{$name}]";
            array_push($fields, ...is_array($value) ? self::again($value, $name) : [[$name, is_int($value) ? $value : (is_string($value) ? $value : (int) $value)]]);
        }

        return $fields;
    }

    /**
     * The changes back that are ticked; null for all of it.
     *
     * @param  array<string, mixed>  $sent
     * @return list<string>|null
     */
    private function picked(array $sent, Item $item, Version $version, States $states, Phrases $phrases): ?array
    {
        $pick = $sent['pick'] ?? [];
        // A report's data alone may be ticked.
        $all = ! isset($sent['lines']) ? ($sent['data'] ?? []) === [] : count(array_unique($pick)) >= (int) $sent['lines'];

        return $all || $item->head !== (int) $sent['seen'] ? null : $this->keys(new Comparison($item, $version, $this->version($item, $item->head), $states, $phrases, apart: true, whole: true), $pick);
    }

    /** Whoever restores what follows another item can let it stay with that from then on. */
    private function stopsFollowing(Request $request, Item $item): bool
    {
        $stops = $request->boolean('stop') && $item->follows();
        $stops && Gate::authorize('write', $item);

        return $stops;
    }

    /**
     * A report and its datasets, or only these: what is ticked of each.
     *
     * @param  array<string, mixed>  $sent
     */
    private function together(Request $request, Item $item, Version $version, array $sent, States $states, Phrases $phrases): RedirectResponse
    {
        $person = $this->person($request);
        $plans = $item->room(Past::class)->plan($item, $version, $person, $phrases)['data'] ?? abort(404);
        $picked = $sent['pick'] ?? [];
        $wanted = [];
        if ($picked !== []) {
            $all = isset($sent['lines']) && count(array_unique($picked)) >= (int) $sent['lines'];
            $wanted[] = ['item' => $item, 'version' => $version, 'seen' => (int) $sent['seen'], 'picked' => $all || $item->head !== (int) $sent['seen'] ? null : $this->keys(new Comparison($item, $version, $this->version($item, $item->head), $states, $phrases, apart: true, whole: true), $picked)];
        }
        foreach ($sent['data'] as $key => $ticked) {
            $plan = $plans->plans[(string) $key] ?? null;
            if ($plan === null) {
                return redirect()->route('restore', [$item, $version->number])->withErrors(['seen' => __('history.moved_on')]);
            }
            Gate::authorize('restore', $plan['item']);
            $wanted[] = ['item' => $plan['item'], 'version' => $plan['then'], 'seen' => (int) ($sent['data_seen'][$key] ?? 0), 'picked' => $plans->keys((string) $key, $ticked)];
        }
        $made = $this->together->handle($person, $wanted);
        if ($made === null) {
            return redirect()->route('restore', [$item, $version->number])->withErrors(['seen' => __('history.moved_on')]);
        }
        $main = $made[0]->load('item');
        if ($request->boolean('publish') && $main->item_id === $item->id) {
            $this->publish->handle($main, $person);
        }

        return redirect()->route('history', ['item' => $main->item, 'from' => $main->number - 1, 'to' => $main->number])
            ->with('restored', $main->number)->with('said', __('report.restored', ['what' => implode(', ', array_map(fn (Version $one) => '“'.$one->load('item')->item->title.'” '.$one->number, $made))]));
    }

    /** What came of it, and whether readers see it. */
    private function said(Item $item, Version $restored, ?Publishing $published): string
    {
        $values = ['source' => (string) $restored->source, 'number' => (string) $restored->number];

        return match (true) {
            $published !== null => __('publishing.restored_live', $values),
            $item->isPublishable() && $item->live !== null => __($restored->cause === Cause::BroughtBack ? 'publishing.brought_back_draft' : 'publishing.restored_draft', [...$values, 'live' => (string) $item->live->version->number]),
            default => __($restored->cause === Cause::BroughtBack ? 'item.brought_back' : 'item.restored', $values),
        };
    }

    /**
     * @param  array<mixed>  $picked  positions of lines of the plan
     * @return list<string>
     */
    private function keys(Comparison $since, array $picked): array
    {
        $entries = array_intersect_key($since->entries, array_flip(array_map(intval(...), $picked)));

        return array_merge(...array_map(fn (ChangeLine $entry) => $entry->statement->keysBack(), array_values($entries)), ...[[]]);
    }
}

<?php

declare(strict_types=1);

namespace Tests\World;

use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Version;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Merge\Choice;

/** What people do with earlier states: bring back, take out, copy out, settle. */
final class BringingBack
{
    public function __construct(private readonly World $world) {}

    public function restore(Step $step, Chance $chance): void
    {
        $item = $this->world->item($step);
        if (! $this->world->mayWrite($step->who) || $item->head < 2) {
            return;
        }
        $number = $chance->of(array_slice($this->world->kept($item), 0, -1));
        $version = Version::query()->where(['item_id' => $item->id, 'number' => $number])->firstOrFail();
        $plan = $this->world->allowed($this->world->as($step->who)->get(route('restore', [$item, $number])), 'looking at a restore plan');
        $before = $item->root;
        $pick = [];
        if ($step->deed === Deed::Pick) {
            $lines = substr_count((string) $plan->getContent(), 'name="pick[]"');
            if ($lines < 2) {
                return;
            }
            $pick = ['lines' => $lines, 'pick' => [$chance->under($lines)]];
        }
        $chunks = DB::table('chunks')->count();
        $this->world->allowed(
            $this->world->as($step->who)->post(route('restore.seen', [$item, $number]), ['seen' => $item->head] + $pick),
            'looking how it will be',
        );
        [$item->refresh()->root, DB::table('chunks')->count()] === [$before, $chunks]
            || throw Broken::law('Looking writes nothing', "version {$number} of the {$step->item}");
        $this->world->allowed($this->world->as($step->who)->post(route('restore.store', [$item, $number]), ['seen' => $item->head] + $pick), 'restoring');
        $item->refresh();
        if ($pick === [] && $item->root !== $version->root) {
            throw Broken::law(
                'Restoring N gives N to the byte',
                "version {$number} of the {$step->item} was {$version->root}, it became {$item->root}",
            );
        }
        $this->world->tookAway($step->item, $step->who, $before, $item->root);
    }

    public function partBack(Step $step, Chance $chance): void
    {
        $item = $this->world->item($step);
        if (! $this->world->mayWrite($step->who) || $item->head < 2) {
            return;
        }
        $number = $chance->of($this->world->kept($item));
        $tree = $this->world->states->tree((string) Version::query()->where(['item_id' => $item->id, 'number' => $number])->value('root'));
        if ($tree->parts === []) {
            return;
        }
        $part = $chance->of($tree->parts)->id;
        $before = $item->root;
        $page = $this->world->as($step->who)->get(route('part', [$item, $part]));
        $page->getStatusCode() === 404 || $this->world->allowed($page, 'looking at the history of a part');
        $this->world->allowed(
            $this->world->as($step->who)->post(route('part.restore', [$item, $part, $number]), ['seen' => $item->head]),
            'bringing back a part',
            404,
            409,
        );
        $this->world->tookAway($step->item, $step->who, $before, $item->refresh()->root);
    }

    public function takeBack(Step $step): void
    {
        $item = $this->world->item($step);
        $newest = Version::query()->where(['item_id' => $item->id, 'number' => $item->head])->firstOrFail();
        if (! $this->world->mayWrite($step->who) || ! $newest->cause->canBeTakenBack() || $item->head < 2) {
            return;
        }
        $was = (string) Version::query()->where(['item_id' => $item->id, 'number' => $item->head - 1])->value('root');
        $before = $item->root;
        $roots = array_map(fn (Item $each) => $each->refresh()->root, $this->world->items);
        $this->world->allowed($this->world->as($step->who)->post(route('restore.undo', [$item, $item->head])), 'taking a restore back', 403);
        // What came back together with it goes with it.
        if ($newest->with_id !== null) {
            $this->world->days->remember($this->world->items);
            foreach ($this->world->items as $kind => $other) {
                $this->world->tookAway($kind, $step->who, $roots[$kind], $other->refresh()->root);
            }
            if ($item->refresh()->head === $newest->number) {
                return;
            }
        }
        $item->refresh()->root === $was
            || throw Broken::law('Taking back gives what was', "version {$newest->number} of the {$step->item} was taken back");
        $this->world->tookAway($step->item, $step->who, $before, $item->root);
    }

    public function takeOut(Step $step, Chance $chance): void
    {
        $item = $this->world->item($step);
        if (! $this->world->mayWrite($step->who) || $item->head < 3) {
            return;
        }
        $from = $chance->under($item->head - 1);
        $editors = Version::query()
            ->where('item_id', $item->id)
            ->where('number', '>', max(1, $from))
            ->orderBy('user_id')
            ->distinct()
            ->pluck('user_id')
            ->all();
        if ($editors === []) {
            return;
        }
        $asked = ['from' => $from, 'to' => $item->head, 'by' => (string) $chance->of($editors)];
        $before = $item->root;
        $plan = (string) $this->world->allowed(
            $this->world->as($step->who)->get(route('take-out', [$item, ...$asked])),
            'looking at what would be taken out',
        )->getContent();
        preg_match('/name="lines" value="(\d+)"/', $plan, $lines);
        $pick = ! isset($lines[1]) || $chance->once(2) ? [] : ['lines' => (int) $lines[1], 'pick' => [$chance->under((int) $lines[1])]];
        $this->world->allowed(
            $this->world->as($step->who)->post(route('take-out.seen', $item), $asked + ['seen' => $item->head] + $pick),
            'looking how it will be without',
        );
        $item->refresh()->root === $before || throw Broken::law('Looking changes nothing', $step->item);
        $this->world->allowed(
            $this->world->as($step->who)->post(route('take-out.store', $item), $asked + ['seen' => $item->head] + $pick),
            'taking out edits',
        );
        $this->world->tookAway($step->item, $step->who, $before, $item->refresh()->root);
    }

    public function copyOut(Step $step, Chance $chance): void
    {
        $item = $this->world->item($step);
        if (! $this->world->mayWrite($step->who)) {
            return;
        }
        $number = $chance->of($this->world->kept($item));
        $root = Version::query()->where(['item_id' => $item->id, 'number' => $number])->value('root');
        if ($chance->once(3)) {
            // Some of it alone: an item of its own that is sound, or a refusal in words.
            $parts = array_column($this->world->states->tree((string) $root)->parts, 'id');
            $some = $parts === [] ? 'none' : implode(',', array_map(fn () => $chance->of($parts), range(0, $chance->under(3))));
            $this->world->allowed(
                $this->world->as($step->who)->get(route('restore', [$item, $number, 'parts' => $some])),
                'looking at a plan of what was chosen',
                $this->world->isLost($step->item) ? 403 : 200,
            );
            $this->world->allowed(
                $this->world->as($step->who)->post(route('copy.store', [$item, $number]), [
                    'title' => 'Some of it',
                    'shelf' => $this->world->shelf->key,
                    'parts' => $some,
                ]),
                'copying some of it out',
            );
        }
        $this->world->allowed(
            $this->world->as($step->who)->post(route('copy.store', [$item, $number]), [
                'title' => 'A copy',
                'shelf' => $this->world->shelf->key,
                'talk' => $chance->of(['', 'open', 'all']),
                'history' => $step->seed % 2,
                'proposals' => $step->seed % 3 === 0 ? 1 : 0,
            ]),
            'copying out',
        );
        $copy = Item::query()->latest('id')->firstOrFail();
        if ($step->seed % 2 === 1) {
            $history = fn (Item $of): array => $of
                ->versions()
                ->where('number', '<=', $number)
                ->orderBy('number')
                ->pluck('root', 'number')
                ->all();
            $history($copy) === $history($item)
                || throw Broken::law('A history goes along as it is', "version {$number} of the {$step->item}");
            $this->world->isLost($step->item) || (new Looking($this->world, $copy, $step->item))->at($this->world->as($step->who), new Chance($step->seed));
        }
        $copy->root === $root
            || $step->item === 'report'
            || throw Broken::law('A copy is what was copied', "version {$number} of the {$step->item}");
        if ($chance->once(2)) {
            $this->world->allowed($this->world->as('ines')->delete(route('item.destroy', $copy)), 'deleting a copy');
            $this->world->allowed($this->world->as('ines')->delete(route('item.for-good', $copy), ['name' => $copy->title]), 'deleting a copy for good');
            (Item::query()->whereKey($copy->id)->exists() === false && DB::select('PRAGMA foreign_key_check') === [])
                || throw Broken::law('What is deleted for good leaves nothing behind', $step->item);
        }
    }

    public function settle(Step $step, Chance $chance): void
    {
        $held = HeldEdit::query()
            ->with('item')
            ->whereNull('settled_at')
            ->where('user_id', $this->world->people[$step->who]->id)
            ->orderBy('id')
            ->get();
        $held = $held->filter(fn (HeldEdit $each) => $each->item->isStanding())->all();
        if ($held === [] || ! $this->world->mayWrite($step->who)) {
            return;
        }
        $one = $chance->of(array_values($held));
        $this->world->allowed($this->world->as($step->who)->get(route('held', [$one->item, $one])), 'looking at a held edit');
        $choice = $chance->of(Choice::for($one->meeting()->type));
        $kind = (string) array_search($one->item_id, array_map(fn (Item $item) => $item->id, $this->world->items), true);
        $before = $one->item->root;
        $this->world->allowed(
            $this->world->as($step->who)->put(route('held.settle', [$one->item, $one]), [
                'choice' => $choice->value,
                'third' => $this->world->writing->pen($chance, 'document', $step->who)->tag(),
            ]),
            'settling',
        );
        $this->world->tookAway($kind, $step->who, $before, $one->item->refresh()->root);
    }
}

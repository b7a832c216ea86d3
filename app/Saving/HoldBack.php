<?php

declare(strict_types=1);

namespace App\Saving;

use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Picture;
use App\Models\User;
use App\Models\Version;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Merge\Conflict;

/** Keeps what met another edit until it is settled. To be called inside the transaction of the action that merged. */
final readonly class HoldBack
{
    /**
     * @param  PartTree  $tree  the merged state
     * @param  list<Conflict>  $conflicts
     * @param  PartTree  $from  the state that both started from
     * @param  int  $since  its version, 0 when it was none
     * @return list<HeldEdit>
     */
    public function handle(Item $item, User $editor, Version $version, PartTree $tree, array $conflicts, PartTree $from, int $since): array
    {
        $held = [];
        foreach ($conflicts as $conflict) {
            Picture::used($item, array_merge([], ...array_map($item->kind()->chunksOf(...), $conflict->mine)));
            $values = [
                'root' => $version->root,
                'place' => $this->place($item, $tree, $conflict),
                'number' => $version->number,
                'met_user_id' => $this->met($item, $editor, $conflict, $since),
            ];
            [$before, $whole] = $this->before($item, $editor, $conflict, $from, $held);
            if ($before === null) {
                $held[] = HeldEdit::query()->create([
                    'item_id' => $item->id,
                    'user_id' => $editor->id,
                    'part' => $conflict->id,
                    'conflict' => $conflict->toJson(),
                    ...$values,
                ]);
            } else {
                $before->update(['conflict' => $whole->toJson(), ...$values]);
                $held[] = $before;
            }
        }

        return $held;
    }

    /**
     * An edit that is held back already and that its author went on with: it is one edit still. Only where the state that was
     * started from holds what waits does the new one replace it; else both wait.
     *
     * @param  list<HeldEdit>  $taken
     * @return array{HeldEdit|null, Conflict} with what waits from now on
     */
    private function before(Item $item, User $editor, Conflict $conflict, PartTree $from, array $taken): array
    {
        $waiting = HeldEdit::query()
            ->where(['item_id' => $item->id, 'user_id' => $editor->id, 'part' => $conflict->id])
            ->whereNull('settled_at')
            ->whereKeyNot(array_map(fn (HeldEdit $each) => $each->id, $taken))
            ->orderBy('id')
            ->get();
        foreach ($waiting as $held) {
            $goesOn = $conflict->after($held->meeting(), $from);
            if ($goesOn !== null) {
                return [$held, $goesOn];
            }
        }

        return [null, $conflict];
    }

    private function place(Item $item, PartTree $tree, Conflict $conflict): string
    {
        $part = $tree->find($conflict->id);
        if ($part === null) {
            return mb_substr(($conflict->mine[0] ?? null)?->richText()->text() ?? '', 0, 60);
        }

        return Kinds::named($item->kind)->whereabouts($tree, $part);
    }

    /**
     * Who wrote last at the part where it met, other than the author; null when it met an edit of their own from another window.
     *
     * @param  int  $since  the version that it started from, 0 when that was none
     */
    private function met(Item $item, User $editor, Conflict $conflict, int $since): ?int
    {
        $id = DB::table('touches')->where(['item_id' => $item->id, 'part' => $conflict->id])->where('number', '>', $since)
            ->where('user_id', '!=', $editor->id)->orderByDesc('number')->value('user_id');

        return is_numeric($id) ? (int) $id : null;
    }
}

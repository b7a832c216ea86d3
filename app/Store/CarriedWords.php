<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Item;
use App\Models\Version;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Texts\Carried;
use MistyAttic\Core\Compare\Texts\CommonStretches;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\CanonicalJson;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;

/** Which words of a version were not written in it, but came from another text: split off, joined, cut or copied and pasted. */
final readonly class CarriedWords
{
    /** Versions before, in which something may have been cut that is pasted now. */
    private const BACK = 3;

    /** Words that a paragraph must have come with, to be looked for elsewhere. */
    private const LONG = 4;

    private const MOST_TEXTS = 40;

    public function __construct(private States $states) {}

    /** @param MergedFrom|null $from what was merged, of a save that met others' */
    public function keep(
        Item $item,
        Version $version,
        PartTree $before,
        PartTree $after,
        ChangeSet $changes,
        ?MergedFrom $from = null,
    ): void {
        if (! $version->wasRecentlyCreated) {
            // It grew.
            DB::table('carried')->where(['item_id' => $item->id, 'number' => $version->number])->delete();
        }
        if ($version->number < 2) {
            return;
        }
        $words = new Words;
        $number = $item->before($version->number);
        $found = array_map(fn (Carried $carried) => [$carried, $number], Carried::in($changes, $words));
        foreach ($this->pasted($changes, $found) as $part) {
            $found = [...$found, ...$this->copied($part, $before, $number, $words) ?: $this->cutBefore($item, $version, $part, $words)];
        }
        if ($from !== null) {
            $found = [
                ...$found,
                ...array_map(fn (Carried $carried) => [$carried, $from->number], $this->merged($from, $after, $found, $words)),
            ];
        }
        $rows = array_map(
            fn (array $each) => [
                'item_id' => $item->id,
                'number' => $version->number,
                'part' => $each[0]->part,
                'at' => $each[0]->at,
                'length' => $each[0]->length,
                'source_part' => $each[0]->from,
                'source_at' => $each[0]->fromAt,
                'source_number' => $each[1],
            ],
            $found,
        );
        foreach (array_chunk($rows, 100) as $batch) {
            DB::table('carried')->insertOrIgnore($batch);
        }
    }

    /**
     * What came from a text that others had changed by then, so that it is not there any more.
     *
     * @param  list<array{Carried, int}>  $found
     * @return list<Carried>
     */
    private function merged(MergedFrom $from, PartTree $after, array $found, Words $words): array
    {
        $known = [];
        foreach ($found as [$carried]) {
            $known[$carried->part] = ($known[$carried->part] ?? []) + array_fill($carried->at, $carried->length, true);
        }
        $cut = fn (PartTree $tree, string $part): ?array => $tree->has($part) ? $words->cut($tree->get($part)->richText()->text()) : null;
        $came = [];
        foreach (Carried::in(TreeCompare::of($from->base, $from->mine), $words) as $carried) {
            [$mine, $now] = [$cut($from->mine, $carried->part), $cut($after, $carried->part)];
            $came[] = $mine === $now ? $carried : $carried->within($mine ?? [], $now ?? []);
        }

        return array_merge(
            ...array_map(fn (Carried $carried) => $carried->without($known[$carried->part] ?? []), array_filter($came)),
            ...[[]],
        );
    }

    /**
     * Whole texts that came from nowhere.
     *
     * @param  list<array{Carried, int}>  $found
     * @return list<Part>
     */
    private function pasted(ChangeSet $changes, array $found): array
    {
        $known = array_fill_keys(array_map(fn (array $each) => $each[0]->part, $found), true);
        $pasted = [];
        foreach ($changes->changes as $change) {
            $wrote = $change->type === ChangeType::Added
            || ($change->type === ChangeType::Edited && $change->before?->richText()->isEmpty() === true);
            if (
                $wrote
                && $change->after !== null
                && ! isset($known[$change->id])
                && str_word_count($change->after->richText()->text()) >= self::LONG
            ) {
                $pasted[] = $change->after;
            }
        }

        return array_slice($pasted, 0, self::MOST_TEXTS);
    }

    /**
     * A text that is elsewhere, too, was copied there.
     *
     * @return list<array{Carried, int}>
     */
    private function copied(Part $part, PartTree $before, int $number, Words $words): array
    {
        $text = $part->richText()->text();
        // A few words of it are looked for in the records as they are, which reads none of them.
        $json = trim(CanonicalJson::encode(mb_substr($text, 0, 30)), '"');
        foreach ($before->parts as $other) {
            if ($other->id !== $part->id && $other->mayHold($json) && str_contains($other->richText()->text(), mb_substr($text, 0, 30))) {
                $found = $this->common($part, $other, $words);
                if ($found !== []) {
                    return array_map(fn (Carried $carried) => [$carried, $number], $found);
                }
            }
        }

        return [];
    }

    /**
     * A text that its editor had cut a little earlier.
     *
     * @return list<array{Carried, int}>
     */
    private function cutBefore(Item $item, Version $version, Part $part, Words $words): array
    {
        $earlier = Version::query()
            ->where(['item_id' => $item->id, 'user_id' => $version->user_id])
            ->where('number', '<', $version->number)
            ->where('number', '>=', max(2, $version->number - self::BACK))
            ->where('removed', '>', 0)
            ->orderByDesc('number')
            ->pluck('number');
        foreach ($earlier as $number) {
            $root = $item->rootBefore((int) $number);
            $touched = DB::table('touches')
                ->where(['item_id' => $item->id, 'number' => $number])
                ->whereRaw('what & ? != 0', [ChangeType::Removed->bit() | ChangeType::Edited->bit()])
                ->limit(self::MOST_TEXTS)
                ->pluck('part');
            $then = is_string($root) ? $this->states->tree($root) : null;
            foreach ($touched as $id) {
                $other = $then?->find((string) $id);
                $found = $other === null || $other->richText()->isEmpty() ? [] : $this->common($part, $other, $words);
                if ($found !== []) {
                    return array_map(fn (Carried $carried) => [$carried, $item->before((int) $number)], $found);
                }
            }
        }

        return [];
    }

    /** @return list<Carried> */
    private function common(Part $part, Part $other, Words $words): array
    {
        $tokens = $words->cut($part->richText()->text());
        $found = CommonStretches::of([$tokens], [$words->cut($other->richText()->text())]);
        $shared = array_sum(
            array_map(fn (array $common) => count(array_filter(array_slice($tokens, $common[1], $common[4]), Words::counts(...))), $found),
        );

        return $shared < self::LONG
            ? []
            : array_map(fn (array $common) => new Carried($part->id, $common[1], $common[4], $other->id, $common[3]), $found);
    }
}

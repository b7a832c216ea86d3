<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\Cause;
use App\Models\Item;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\History\Keeping\Exemption;

/**
 * The versions of an item that stay whatever its rules say, since something rests on them. A handful of queries, however many versions
 * there are.
 */
final readonly class Exempt
{
    /** @var array<int, Exemption> number => the most telling reason */
    public array $numbers;

    public function __construct(private Item $item)
    {
        $numbers = [];
        foreach ($this->reasons() as [$why, $of]) {
            foreach ($of as $number) {
                $numbers[(int) $number] ??= $why;
            }
        }
        unset($numbers[0]);
        ksort($numbers);
        $this->numbers = $numbers;
    }

    /** @return iterable<array{Exemption, iterable<mixed>}> the most telling first */
    private function reasons(): iterable
    {
        $versions = fn (): Builder => DB::table('versions')->where('item_id', $this->item->id);
        $ofThis = fn (string $table): Builder => DB::table($table)->where('item_id', $this->item->id);
        $named = fn (Builder $ids) => $versions()->whereIn('id', $ids)->pluck('number');
        yield [Exemption::Newest, [$this->item->head]];
        // It may still grow, and then it is told with what is before it.
        yield [Exemption::Newest, $this->before([$this->item->head])];
        yield [Exemption::First, [$versions()->min('number')]];
        yield [Exemption::Milestone, $named($ofThis('milestones')->select('version_id'))];
        yield [Exemption::Pinned, $versions()->whereNotNull('pinned_by')->pluck('number')];
        yield [Exemption::Published, $named($ofThis('publishings')->select('version_id'))];
        yield [Exemption::PublishedWith, $this->publishedWith()];
        yield [Exemption::TalkedAbout, $ofThis('threads')->selectRaw('coalesce(version, number) AS number')->pluck('number')];
        yield [Exemption::Copied, $named(DB::table('items')->whereNotNull('copied_from')->select('copied_from'))];
        yield [
            Exemption::Followed,
            DB::table('items')->where('source_id', $this->item->id)->whereNotNull('source_number')->pluck('source_number'),
        ];
        yield [Exemption::Held, $ofThis('held_edits')->whereNull('settled_at')->pluck('number')];
        yield [Exemption::Unusual, $versions()->whereNotNull('unusual')->whereNull('meant_user_id')->pluck('number')];
        yield [Exemption::Accepted, $named($ofThis('proposals')->whereNotNull('version_id')->select('version_id'))];
        yield [Exemption::Restored, $this->restored()];
    }

    /** @return array<mixed> restores, what they restored, and what was before them */
    private function restored(): array
    {
        // What was written while no history was kept can't be told apart, and a version that it grew into is several people's.
        $restores = DB::table('versions')
            ->where('item_id', $this->item->id)
            ->where(fn (Builder $query) => $query->whereNotIn('cause', [Cause::Made->value, Cause::Wrote->value])->orWhere('unkept', 1))
            ->get(['number', 'source']);

        return [
            ...$restores->pluck('number'),
            ...$restores->pluck('source')->filter(),
            ...$this->carriedFrom(),
            ...$this->before($restores->pluck('number')->map(fn (mixed $number): int => (int) $number)->all()),
        ];
    }

    /**
     * @return array<mixed> versions from which words were carried over others; what is carried from the one before goes along with it when
     *     that goes
     */
    private function carriedFrom(): array
    {
        return DB::table('carried')
            ->where('item_id', $this->item->id)
            ->whereRaw(
                'source_number < (SELECT MAX(p.number) FROM versions AS p WHERE p.item_id = carried.item_id AND p.number < carried.number)',
            )
            ->distinct()
            ->pluck('source_number')
            ->all();
    }

    /**
     * The versions that are kept before each of some.
     *
     * @param  array<int>  $numbers
     * @return list<int>
     */
    private function before(array $numbers): array
    {
        $before = [];
        foreach (array_chunk($numbers, 500) as $some) {
            $before = [
                ...$before,
                ...DB::table('versions AS v')
                    ->where('v.item_id', $this->item->id)
                    ->whereIn('v.number', $some)
                    ->selectRaw('(SELECT MAX(p.number) FROM versions AS p WHERE p.item_id = v.item_id AND p.number < v.number) AS before')
                    ->pluck('before')
                    ->all(),
            ];
        }

        return array_values(array_map(intval(...), $before));
    }

    /** @return list<int> */
    private function publishedWith(): array
    {
        $numbers = [];
        foreach (
            DB::table('publishings')
                ->whereNotNull('data')
                ->whereRaw('instr(data, ?) > 0', [$this->item->key])
                ->pluck('data') as $data
        ) {
            $with = json_decode((string) $data, true);
            $numbers[] = is_array($with) && is_int($with[$this->item->key] ?? null) ? $with[$this->item->key] : 0;
        }

        return $numbers;
    }
}

<?php

declare(strict_types=1);

namespace App\Keeping;

use App\Models\Item;
use App\Models\User;
use App\Store\WhatIsKept;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\History\Keeping\Exemption;
use MistyAttic\Core\History\Keeping\Kept;
use MistyAttic\Core\History\Keeping\Pace;
use MistyAttic\Core\Store\ChunkStore;

/** What the rules of an item would let go, and what stays and why. Nothing goes by it. */
final readonly class Rehearsed
{
    /** @var list<int> numbers, ascending */
    public array $go;

    /** @var array<int, Exemption|Pace> number => why it stays, ascending */
    public array $stay;

    /** @var Collection<int, \stdClass> number => when it was saved and by whom */
    public Collection $versions;

    /** @param list<int>|null $chosen versions that somebody wants to go by hand, instead of the rules */
    public function __construct(public Item $item, public WhatIsKept $rules, ?array $chosen = null)
    {
        $this->versions = DB::table('versions')
            ->where('item_id', $item->id)
            ->orderBy('number')
            ->get(['id', 'number', 'user_id', 'saved_at', 'root'])
            ->keyBy('number');
        $exempt = $rules->thins() || $chosen !== null ? (new Exempt($item))->numbers : [];
        if ($chosen !== null) {
            $this->go = array_values(
                array_filter(array_intersect($chosen, $this->versions->keys()->all()), fn (int $number) => ! isset($exempt[$number])),
            );
            $this->stay = $exempt;

            return;
        }
        $kept = array_values(
            $this->versions
                ->map(
                    fn (\stdClass $row) => new Kept(
                        (int) $row->number,
                        (int) strtotime($row->saved_at.' UTC'),
                        $exempt[(int) $row->number] ?? null,
                    ),
                )
                ->all(),
        );
        $rehearsal = $item->form_id !== null || ! $rules->thins() ? null : $rules->core()->rehearse($kept, now()->getTimestamp());
        $stay = $rehearsal->stay ?? array_fill_keys($this->versions->keys()->all(), Pace::Every);
        $over = $rehearsal === null || $rules->values['bytes'] === null ? [] : $this->over($stay, $rules->values['bytes']);
        $this->stay = array_diff_key($stay, array_flip($over));
        $this->go = array_values(array_diff($this->versions->keys()->all(), array_keys($this->stay)));
    }

    /**
     * @param  array<int, Exemption|Pace>  $stay
     * @return list<int> those that go besides, so that the others fit
     */
    private function over(array $stay, int $bytes): array
    {
        $roots = array_map(
            fn (int $number): string => (string) $this->version($number)->root,
            array_combine(array_keys($stay), array_keys($stay)),
        );
        $exempt = array_filter($stay, fn (Exemption|Pace $why) => $why instanceof Exemption);

        return (new WithinBytes(app(ChunkStore::class)))->over(
            array_values(array_intersect_key($roots, $exempt)),
            array_reverse(array_diff_key($roots, $exempt), true),
            $bytes,
        );
    }

    /** @return list<int> of the versions that would go */
    public function ids(): array
    {
        return array_map(fn (int $number): int => (int) $this->version($number)->id, $this->go);
    }

    private function version(int $number): \stdClass
    {
        return $this->versions->get($number) ?? throw new \OutOfBoundsException("There is no version {$number}");
    }

    /** @return list<array{User, int}> whose versions would go, the most first */
    public function whose(): array
    {
        $counts = array_count_values(array_map(fn (int $number): int => (int) $this->version($number)->user_id, $this->go));
        arsort($counts);
        $users = User::query()->whereKey(array_keys($counts))->get()->keyBy('id');

        return array_map(fn (int $id) => [$users[$id] ?? User::visitor(), $counts[$id]], array_keys($counts));
    }

    /** @return array<string, int> why versions stay that no rule could let go, with how many */
    public function exempt(): array
    {
        return array_count_values(
            array_map(fn (Exemption $why) => $why->value, array_filter($this->stay, fn (Exemption|Pace $why) => $why instanceof Exemption)),
        );
    }

    /** @return list<string> the addresses of the states that would go, and stay nowhere in this item */
    public function roots(): array
    {
        $go = array_map(fn (int $number): string => (string) $this->version($number)->root, $this->go);
        $stay = $this->versions->except($this->go)->pluck('root')->all();

        return array_values(array_unique(array_diff($go, $stay)));
    }
}

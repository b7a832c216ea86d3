<?php

declare(strict_types=1);

namespace App\View\Keeping;

use App\Keeping\Rehearsed;
use App\Models\User;
use Carbon\CarbonImmutable;

/** The rehearsal of an item's rules, month by month and on a line of its versions. */
final readonly class KeepingView
{
    private const WIDTH = 1160;

    private const LANE = 22;

    /** @var list<array{said: string, go: int, stay: int, why: string}> */
    public array $months;

    /**
     * @var list<array{name: string, monogram: string, colour: int, stay: string, go: string}> a lane an editor: what stays and what would
     *     go, as paths of SVG
     */
    public array $lanes;

    public int $tall;

    /** @var list<array{User, int}> whose versions would go, the most first */
    public array $whose;

    public function __construct(public Rehearsed $rehearsed)
    {
        $months = [];
        foreach ($rehearsed->versions as $number => $row) {
            $month = substr((string) $row->saved_at, 0, 7);
            $months[$month] ??= ['said' => CarbonImmutable::parse("{$month}-01")->format('F Y'), 'go' => 0, 'stay' => 0, 'reasons' => []];
            $why = $rehearsed->stay[(int) $number] ?? null;
            if ($why === null) {
                $months[$month]['go']++;
            } else {
                $months[$month]['stay']++;
                $months[$month]['reasons'][$why->value] = ($months[$month]['reasons'][$why->value] ?? 0) + 1;
            }
        }
        $this->months = array_values(
            array_map(
                fn (array $month) => [
                    'said' => $month['said'],
                    'go' => $month['go'],
                    'stay' => $month['stay'],
                    'why' => $this->why($month['reasons']),
                ],
                array_reverse($months),
            ),
        );
        $this->lanes = $this->lanes();
        $this->whose = $rehearsed->whose();
        $this->tall = self::LANE * count($this->lanes);
    }

    /** @return list<array{string, int}> why versions stay whatever the rules say, with how many */
    public function exempt(): array
    {
        $counts = $this->rehearsed->exempt();

        return array_map(fn (string $why) => [(string) __("keeping.why.{$why}"), $counts[$why]], array_keys($counts));
    }

    /** @param array<string, int> $reasons */
    private function why(array $reasons): string
    {
        arsort($reasons);

        return implode(', ', array_map(fn (string $why): string => (string) __("keeping.why.{$why}"), array_keys($reasons)));
    }

    /** @return list<array{name: string, monogram: string, colour: int, stay: string, go: string}> */
    private function lanes(): array
    {
        $count = max(1, $this->rehearsed->versions->count());
        $step = self::WIDTH / $count;
        $paths = [];
        $drawn = [];
        foreach ($this->rehearsed->versions->values() as $at => $row) {
            [$x, $stays] = [round($at * $step, 1), isset($this->rehearsed->stay[(int) $row->number])];
            // Of versions that lie on one another one is drawn.
            $place = $row->user_id.' '.($stays ? 's' : 'g').' '.(int) ($x / 2);
            if (! isset($drawn[$place])) {
                $drawn[$place] = true;
                $width = max(1.5, min(7, $step - 1));
                $paths[(int) $row->user_id][$stays ? 'stay' : 'go'][] = "M{$x} 5h{$width}v12h-{$width}z";
            }
        }
        $people = User::query()->whereKey(array_keys($paths))->get()->keyBy('id');

        return array_map(
            fn (int $id) => [
                'name' => (string) $people->get($id)?->firstName(),
                'monogram' => (string) $people->get($id)?->monogram(),
                'colour' => (int) $people->get($id)?->colour,
                'stay' => implode('', $paths[$id]['stay'] ?? []),
                'go' => implode('', $paths[$id]['go'] ?? []),
            ],
            array_keys($paths),
        );
    }
}

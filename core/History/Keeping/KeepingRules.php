<?php

declare(strict_types=1);

namespace MistyAttic\Core\History\Keeping;

/**
 * How long versions are kept and how they thin with age: “everything for 7 days, then one a day for 3 months, then one a
 * month”. Past the last step nothing stays but what is exempt.
 */
final readonly class KeepingRules
{
    private const DAY = 86_400;

    /**
     * @param  list<Step>  $steps  by age, the youngest first
     * @param  int|null  $most  versions that are kept at most; exempt ones count and stay
     */
    public function __construct(public array $steps, public ?int $most = null) {}

    /**
     * @param  list<Kept>  $versions  of one item, ascending
     * @param  int  $now  seconds since 1970
     * @param  int  $offset  seconds that the shelf's clock is ahead of UTC, for where days begin
     */
    public function rehearse(array $versions, int $now, int $offset = 0): Rehearsal
    {
        $stay = [];
        $seen = [];
        $first = array_key_first($versions);
        $last = array_key_last($versions);
        foreach (array_reverse($versions, true) as $at => $version) {
            $exempt = $version->exempt ?? match ($at) {
                $last => Exemption::Newest,
                $first => Exemption::First,
                default => null,
            };
            $pace = $this->pace($now - $version->time);
            $stretch = $pace->value.' '.$pace->stretch($version->time + $offset);
            if ($exempt !== null) {
                $stay[$version->number] = $exempt;
            } elseif ($pace === Pace::Every || ($pace !== Pace::None && ! isset($seen[$stretch]))) {
                $stay[$version->number] = $pace;
            }
            // An exempt version stands for its stretch as well.
            $seen[$stretch] = true;
        }
        $over = $this->most === null ? 0 : count($stay) - $this->most;
        foreach (array_reverse($stay, true) as $number => $why) {
            if ($over > 0 && $why instanceof Pace) {
                unset($stay[$number]);
                $over--;
            }
        }

        return new Rehearsal(array_values(array_diff(array_column($versions, 'number'), array_keys($stay))), array_reverse($stay, true));
    }

    private function pace(int $age): Pace
    {
        $days = 0;
        foreach ($this->steps as $step) {
            $days += $step->days ?? 0;
            if ($step->days === null || $age < $days * self::DAY) {
                return $step->pace;
            }
        }

        return Pace::None;
    }
}

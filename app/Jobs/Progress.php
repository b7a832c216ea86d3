<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Task;
use Carbon\CarbonInterface;
use Closure;

/** How far a task has come that is worked beside; without one, nobody is told. */
final class Progress
{
    /** Seconds between two times that it is written. */
    private const EVERY = 1;

    private ?Task $task = null;

    private ?CarbonInterface $told = null;

    public function of(?Task $task): void
    {
        $this->task = $task;
        $this->told = now();
    }

    /**
     * For a piece of the work that tells its own share, from 0 to 1.
     *
     * @return Closure(float): void
     */
    public function between(float $from, float $to): Closure
    {
        return fn (float $share) => $this->reached($from + $share * ($to - $from));
    }

    private function reached(float $share): void
    {
        if ($this->task !== null && $this->told?->diffInSeconds(now()) >= self::EVERY) {
            $this->task->update(['share' => (int) round(100 * $share)]);
            $this->told = now();
        }
    }
}

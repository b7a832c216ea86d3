<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Following;

use App\Models\Item;
use App\Store\States;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Throwable;

/** Takes in what happened to what a dataset follows: at once where that is quick, else beside. */
final class TakeInSteps implements ShouldQueue
{
    use Queueable;

    /** Parts of a dataset and of its source up to which it is quick. */
    private const QUICK = 4_000;

    /** Tries after an error; steps that were taken in are not taken in again. */
    public int $tries = 5;

    public int $timeout = 600;

    public function __construct(private readonly int $dataset) {}

    public static function soon(int $dataset): void
    {
        $item = Item::query()->with('source')->find($dataset);
        // What is in Lost & found takes in what happened when it is brought back.
        if ($item?->source === null || ! $item->isStanding()) {
            return;
        }
        try {
            $states = app(States::class);
            $size = $states->count($item->root) + ($item->source->kind === 'form' ? 0 : $states->count($item->source->root));
            $size <= self::QUICK ? app(Follow::class)->handle($item) : self::dispatch($dataset);
        } catch (Throwable $error) {
            // What was written is written, whatever meets a dataset that follows it: the step waits, and is taken in with the next one.
            report($error);
        }
    }

    public function handle(Follow $follow): void
    {
        $item = Item::query()->find($this->dataset);
        if ($item !== null && $item->isStanding()) {
            $follow->handle($item);
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Publishing;

use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Says yes or no to a wish to publish, or takes it back. */
final readonly class AnswerWish
{
    public function __construct(private PublishVersion $publish) {}

    /** @return bool false when it was answered in the meantime */
    public function handle(Publishing $wish, User $decider, PublishingState $answer, ?string $note): bool
    {
        return DB::transaction(function () use ($wish, $decider, $answer, $note) {
            if ($wish->refresh()->state !== PublishingState::Waiting) {
                return false;
            }
            if ($answer === PublishingState::Published) {
                $this->publish->handle($wish->version->setRelation('item', $wish->item), $decider, $note, $wish);
            } else {
                $wish->update(['state' => $answer, 'decider_id' => $decider->id, 'answer' => $note, 'decided_at' => now()]);
            }

            return true;
        });
    }
}

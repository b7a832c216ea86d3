<?php

declare(strict_types=1);

namespace App\View\Sources;

use App\Models\User;
use App\View\Comparison;
use App\View\Talk\ThreadSeen;
use Carbon\CarbonImmutable;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Telling\MarkedPart;
use MistyAttic\Core\Files\TrackedBy;
use MistyAttic\Core\Files\Tracking;

/** Who answers for the changes between two versions, for programs that track changes, and what is said about them. */
final readonly class TrackedChanges implements Tracking
{
    /** @param list<ThreadSeen> $threads that whoever takes it along may see */
    public function __construct(private Comparison $comparison, private array $threads) {}

    public function of(string $part, ChangeType $type): TrackedBy
    {
        return $this->by($this->comparison->editorOf($part, $type), $this->comparison->whenDone($part, $type));
    }

    public function words(MarkedPart $marked): array
    {
        $at = $this->comparison->whenDone($marked->part->id, ChangeType::Edited);

        return array_map(fn (array $of): array => [$of[0], $this->by($of[1], $at)], $this->comparison->spans($marked));
    }

    public function said(string $part): array
    {
        $said = [];
        foreach ($this->threads as $thread) {
            foreach ($thread->part === $part ? $thread->comments : [] as $at => $comment) {
                $text = SaidAlong::text($thread, $comment, $at === 0);
                $text === ''
                    || ($said[] = [
                        'by' => $this->by($comment->user, CarbonImmutable::createFromTimestampUTC($comment->at)),
                        'initials' => $comment->user->monogram(),
                        'text' => $text,
                    ]);
            }
        }

        return $said;
    }

    private function by(?User $user, ?CarbonImmutable $at): TrackedBy
    {
        return new TrackedBy(
            $user->name ?? (string) __('history.somebody'),
            ($at ?? $this->comparison->to->saved_at)->utc()->format('Y-m-d\TH:i:s\Z'),
        );
    }
}

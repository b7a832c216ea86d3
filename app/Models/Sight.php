<?php

declare(strict_types=1);

namespace App\Models;

/**
 * What somebody sees of an item: all of it, or only versions that were published, the live one being the newest. Who may
 * publish also sees the one that waits for a yes.
 */
final readonly class Sight
{
    /** @param list<int>|null $numbers of versions, ascending; null for all */
    private function __construct(public ?array $numbers, private ?Publishing $newest) {}

    public static function of(User $user, Item $item): self
    {
        if (! $item->isPublishable() || $item->shelf->showsDraftsTo($user)) {
            return new self(null, null);
        }
        $states = $item->shelf->letsPublish($user) ? [PublishingState::Published, PublishingState::Waiting] : [PublishingState::Published];
        $seen = $item->publishings()->with('version')->whereIn('state', $states)->orderBy('id')->get();
        $newest = $seen->firstWhere('id', $item->live_id) ?? $seen->firstWhere('state', PublishingState::Waiting);
        $numbers = $newest === null
            ? []
            : array_values($seen->map(fn (Publishing $publishing) => $publishing->version->number)->unique()->sort()->all());

        return new self($numbers, $newest);
    }

    public function sees(int $number): bool
    {
        return $this->numbers === null || in_array($number, $this->numbers, true);
    }

    public function before(int $number): int
    {
        $before = array_filter($this->numbers ?? range(1, max(1, $number - 1)), fn (int $seen) => $seen < $number);

        return $before === [] ? $number : max($before);
    }

    /** The item as they see it, for showing only; null when they see nothing of it. */
    public function item(Item $item): ?Item
    {
        if ($this->numbers === null) {
            return $item;
        }
        if ($this->newest === null) {
            return null;
        }
        $seen = clone $item;
        $seen
            ->forceFill([
                'head' => $this->newest->version->number,
                'root' => $this->newest->version->root,
                'title' => $this->newest->title,
                'changed_at' => $this->newest->decided_at ?? $this->newest->asked_at,
            ])
            ->syncOriginal();
        $seen->sight = $this;

        return $seen;
    }
}

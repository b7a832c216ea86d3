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
        if (! $item->isPublishable() || self::includesDrafts($user, $item)) {
            return new self(null, null);
        }
        $states = $item->shelf->letsPublish($user) ? [PublishingState::Published, PublishingState::Waiting] : [PublishingState::Published];
        $seen = $item->publishings()->with('version')->whereIn('state', $states)->orderBy('id')->get();
        $newest = $seen->firstWhere('id', $item->live_id) ?? $seen->firstWhere('state', PublishingState::Waiting);
        $numbers = $newest === null ? [] : array_values($seen->map(fn (Publishing $publishing) => $publishing->version->number)->unique()->sort()->all());
        if ($item->kind === 'entry' && $numbers !== []) {
            // Nobody was asked about what came before.
            $numbers = array_values(array_unique([...range(1, $numbers[0]), ...$numbers]));
        }

        return new self($numbers, $newest);
    }

    /** Whether somebody who may view an item sees all of it: of an entry those who say yes, and who wrote what waits. */
    public static function includesDrafts(User $user, Item $item): bool
    {
        if ($item->kind !== 'entry') {
            return $item->shelf->showsDraftsTo($user);
        }

        return $item->live === null || $item->shelf->letsPublish($user) || $item->shelf->drafts === Drafts::Everyone
            || $item->versions()->where('number', '>', $item->live->version->number)->where('user_id', $user->id)->exists();
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
        $seen->forceFill(['head' => $this->newest->version->number, 'root' => $this->newest->version->root, 'title' => $this->newest->title, 'changed_at' => $this->newest->decided_at ?? $this->newest->asked_at])->syncOriginal();
        $seen->sight = $this;

        return $seen;
    }
}

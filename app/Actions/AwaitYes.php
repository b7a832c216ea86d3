<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Item;
use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\User;
use App\Models\Version;

/** On a shelf that wants a yes to changes of entries: what stood before stays what others see, until somebody says yes. */
final readonly class AwaitYes
{
    public function __construct(private PublishVersion $publish, private AskToPublish $ask) {}

    public function handle(Item $entry, Version $version, User $editor): void
    {
        $agreed = $entry->live_id === null ? $this->agreeTo($entry, $version->number - 1) : Publishing::query()->findOrFail($entry->live_id, ['version_id'])->version;
        $alone = $entry->shelf->letsPublish($editor) && ! $entry->shelf->othersLetPublish($editor);
        $version->setRelation('item', $entry);
        // Going back to what others see changes nothing for them.
        if ($alone || $agreed->root === $version->root) {
            $this->publish->handle($version, $editor);
        } else {
            $this->ask->handle($version, $editor, null);
        }
    }

    /** The state that nobody was asked about, because the shelf did not want a yes then, or because it is what was sent. */
    private function agreeTo(Item $entry, int $number): Version
    {
        $version = Version::query()->where(['item_id' => $entry->id, 'number' => $number])->firstOrFail();
        $publishing = Publishing::query()->create([
            'item_id' => $entry->id, 'version_id' => $version->id, 'title' => $entry->title, 'state' => PublishingState::Published, 'count' => 1 + (int) $entry->publishings()->max('count'),
            'user_id' => $version->user_id, 'asked_at' => $version->saved_at, 'decider_id' => $version->user_id, 'decided_at' => $version->saved_at,
        ]);
        $entry->update(['live_id' => $publishing->id]);

        return $version;
    }
}

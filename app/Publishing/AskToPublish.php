<?php

declare(strict_types=1);

namespace App\Publishing;

use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\User;
use App\Models\Version;
use Illuminate\Support\Facades\DB;

/** Asks those who may publish to let readers see a version. The draft may go on; what is asked for stays that version. */
final readonly class AskToPublish
{
    public function __construct(private MayBePublished $may) {}

    public function handle(Version $version, User $editor, ?string $note): Publishing
    {
        return DB::transaction(function () use ($version, $editor, $note) {
            $this->may->check($version->item, $version->root);
            Publishing::query()
                ->waiting()
                ->where('item_id', $version->item_id)
                ->update(['state' => PublishingState::Withdrawn, 'decider_id' => $editor->id, 'decided_at' => now()]);

            return Publishing::query()->create([
                'item_id' => $version->item_id,
                'version_id' => $version->id,
                'title' => $version->title,
                'state' => PublishingState::Waiting,
                'user_id' => $editor->id,
                'note' => $note,
                'asked_at' => now(),
            ]);
        });
    }
}

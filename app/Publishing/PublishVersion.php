<?php

declare(strict_types=1);

namespace App\Publishing;

use App\Models\LogLine;
use App\Models\Picture;
use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\User;
use App\Models\Version;
use App\Saving\Rules;
use App\Store\States;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Kinds\Kinds;

/** Lets readers see a version from now on, in place of the one they saw. */
final readonly class PublishVersion
{
    public function __construct(private States $states, private OpenToPublic $public, private MayBePublished $may) {}

    /** @param Publishing|null $wish that is granted by it; another one that waits is answered by it as well */
    public function handle(Version $version, User $publisher, ?string $note = null, ?Publishing $wish = null): Publishing
    {
        return DB::transaction(function () use ($version, $publisher, $note, $wish) {
            $item = $version->item->refresh();
            $this->may->check($item, $version->root);
            $tree = $this->states->tree($version->root);
            // No state is live before the one that it follows, whatever the clock says.
            $last = $item->publishings()->max('decided_at');
            $at = is_string($last) && $last > now()->format('Y-m-d H:i:s') ? CarbonImmutable::parse($last) : CarbonImmutable::now();
            Publishing::query()->where('id', $item->live_id)->update(['ended_at' => $at]);
            Publishing::query()->waiting()->where('item_id', $item->id)->when($wish, fn ($query) => $query->whereKeyNot($wish?->id))
                ->update(['state' => PublishingState::Edited, 'decider_id' => $publisher->id, 'decided_at' => now()]);
            $publishing = $wish
            ?? new Publishing([
                'item_id' => $item->id,
                'version_id' => $version->id,
                'user_id' => $publisher->id,
                'title' => $version->title,
                'note' => $note,
                'asked_at' => now(),
            ]);
            $publishing
                ->fill([
                    'state' => PublishingState::Published,
                    'decider_id' => $publisher->id,
                    'decided_at' => $at,
                    'count' => 1 + (int) $item->publishings()->max('count'),
                    ...$wish === null ? [] : ['answer' => $note],
                    'data' => $item->room(Rules::class)->publishedWith($item, $tree),
                ])
                ->save();
            $item->update(['live_id' => $publishing->id]);
            LogLine::ofItem('published', $publisher, $item, ['number' => (string) $version->number]);
            $item->room(Rules::class)->published($item, $publishing->setRelation('version', $version));
            $kind = Kinds::named($item->kind);
            Picture::query()->where('item_id', $item->id)->whereIn('chunk', Kinds::chunks($kind, $tree))->update(['is_published' => true]);

            if ($item->is_public) {
                $this->public->show($item, $publishing->setRelation('version', $version));
            }

            return $publishing;
        });
    }
}

<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\Version;

/** The steps of publishing as sentences with the names in them. */
final class PublishingWords
{
    /** The words for an item: of entries no reader is told, and nothing goes live. */
    public static function group(Item $item): string
    {
        return $item->kind === 'entry' ? 'agreeing' : 'publishing';
    }

    /** @return list<string> what was asked, answered and ended, in that order */
    public static function steps(Publishing $publishing): array
    {
        $steps = [];
        if ($publishing->state !== PublishingState::Published || $publishing->wasAsked()) {
            $steps[] = self::say('asked', $publishing, $publishing->note);
        }
        if ($publishing->state !== PublishingState::Waiting) {
            $own = $publishing->wasAsked() ? '' : '_own';
            $steps[] = self::say($publishing->state->value.$own, $publishing, $publishing->state === PublishingState::Published && $own !== '' ? $publishing->note : $publishing->answer);
        }
        if ($publishing->ender_id !== null) {
            $steps[] = self::say('ended', $publishing, null);
        }

        return $steps;
    }

    /** @return list<string> of all wishes to publish a version */
    public static function of(Version $version): array
    {
        return array_merge([], ...array_values($version->publishings->map(fn (Publishing $publishing) => self::steps($publishing->setRelation('item', $version->item)))->all()));
    }

    /** What readers are told of a version: that it was published, and what was said with it. */
    public static function forReaders(Version $version): string
    {
        $live = $version->publishings->last(fn (Publishing $publishing) => $publishing->state === PublishingState::Published);

        return $live === null ? __(self::group($version->item).'.waits') : __(self::group($version->item).'.for_readers', ['count' => (string) $live->count]);
    }

    private static function say(string $step, Publishing $publishing, ?string $words): string
    {
        return __(self::group($publishing->item).".steps.{$step}", [
            'asker' => $publishing->user->firstName(), 'decider' => $publishing->decider?->firstName() ?? '', 'ender' => $publishing->ender?->firstName() ?? '', 'count' => (string) $publishing->count,
        ]).($words === null || $words === '' ? '' : ": “{$words}”");
    }
}

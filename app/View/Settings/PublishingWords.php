<?php

declare(strict_types=1);

namespace App\View\Settings;

use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\Version;

/** The steps of publishing as sentences with the names in them. */
final class PublishingWords
{
    /** @return list<string> what was asked, answered and ended, in that order */
    public static function steps(Publishing $publishing): array
    {
        $steps = [];
        if ($publishing->state !== PublishingState::Published || $publishing->wasAsked()) {
            $steps[] = self::say('asked', $publishing, $publishing->note);
        }
        if ($publishing->state !== PublishingState::Waiting) {
            $own = $publishing->wasAsked() ? '' : '_own';
            $steps[] = self::say(
                $publishing->state->value.$own,
                $publishing,
                $publishing->state === PublishingState::Published && $own !== '' ? $publishing->note : $publishing->answer,
            );
        }
        if ($publishing->ender_id !== null) {
            $steps[] = self::say('ended', $publishing, null);
        }

        return $steps;
    }

    /** @return list<string> of all wishes to publish a version */
    public static function of(Version $version): array
    {
        return array_merge([], ...array_values($version->publishings->map(self::steps(...))->all()));
    }

    /** What readers are told of a version: that it was published, and what was said with it. */
    public static function forReaders(Version $version): string
    {
        $live = $version->publishings->last(fn (Publishing $publishing) => $publishing->state === PublishingState::Published);

        return $live === null ? __('publishing.waits') : __('publishing.for_readers', ['count' => (string) $live->count]);
    }

    private static function say(string $step, Publishing $publishing, ?string $words): string
    {
        return __("publishing.steps.{$step}", [
            'asker' => $publishing->user->firstName(),
            'decider' => $publishing->decider?->firstName() ?? '',
            'ender' => $publishing->ender?->firstName() ?? '',
            'count' => (string) $publishing->count,
        ]).($words === null || $words === '' ? '' : ": “{$words}”");
    }
}

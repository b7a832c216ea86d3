<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Talk\WordsFollowed;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class WordsFollowedTest extends TestCase
{
    /** @return array<string, array{string, string, string, string|null}> old text, words in it, new text, where they are then */
    public static function edits(): array
    {
        return [
            'nothing changed' => [
                'Tie a tag with the date round it.',
                'a tag with the date',
                'Tie a tag with the date round it.',
                'a tag with the date',
            ],
            'written before it' => [
                'Tie a tag with the date round it.',
                'a tag with the date',
                'First of all, tie a tag with the date round it.',
                'a tag with the date',
            ],
            'written within' => [
                'Tie a tag with the date round it.',
                'a tag with the date',
                'Tie a tag with the name and the date round it.',
                'a tag with the name and the date',
            ],
            'its end was cut' => ['Tie a tag with the date round it.', 'a tag with the date', 'Tie a tag with the.', 'a tag with the'],
            'more than half went' => ['Tie a tag with the date round it.', 'a tag with the date', 'Tie the date round it.', null],
            'all of it went' => ['Tie a tag with the date round it.', 'a tag with the date', 'Leave it.', null],
            'letters beyond the plane' => ['🪛🪛 Turn the 🔧 screw 𝒶 twice.', 'screw 𝒶', '🪛🪛 Then turn the 🔧 screw 𝒶 twice.', 'screw 𝒶'],
            'only marks' => ['Ask – then go.', '–', 'Ask first – then go.', '–'],
        ];
    }

    #[DataProvider('edits')]
    public function test_words_are_followed_through_an_edit(string $old, string $words, string $new, ?string $then): void
    {
        $from = (int) mb_strpos($old, $words);
        $into = (new WordsFollowed(new Words))->into($old, $new, $from, $from + mb_strlen($words));
        self::assertSame($then, $into === null ? null : mb_substr($new, $into[0], $into[1] - $into[0]));
    }

    public function test_of_several_places_it_is_the_nearest(): void
    {
        self::assertSame([16, 19], WordsFollowed::find('the', 'the one and the the', 17));
        self::assertSame([0, 3], WordsFollowed::find('the', 'the one and the the', 2));
        self::assertNull(WordsFollowed::find('', 'the', 0));
        self::assertNull(WordsFollowed::find('them', 'the', 0));
    }

    public function test_what_is_chosen_goes_to_the_ends_of_its_words(): void
    {
        $words = new WordsFollowed(new Words);
        self::assertSame('a tag on', mb_substr('Tie a tag on it.', ...self::length($words->whole('Tie a tag on it.', 4, 11))));
        self::assertSame('tag', mb_substr('Tie a tag on it.', ...self::length($words->whole('Tie a tag on it.', 5, 8))));
        self::assertNull($words->whole('Tie a tag.', 3, 4));
    }

    /**
     * @param  array{int, int}|null  $range
     * @return array{int, int}
     */
    private static function length(?array $range): array
    {
        self::assertNotNull($range);

        return [$range[0], $range[1] - $range[0]];
    }

    public function test_whatever_is_written_the_words_are_within_the_text(): void
    {
        $random = new RandomContent(20261130);
        $words = new WordsFollowed(new Words);
        $pool = ['a', 'tag', 'with', 'the', 'date', ' ', ' ', ' ', ', ', '🪛', '.', 'é'];
        $text = fn (int $length): string => implode('', array_map(fn () => $pool[$random->under(count($pool))], range(0, $length)));
        for ($round = 0; $round < 400; $round++) {
            [$old, $new] = [$text(2 + $random->under(20)), $text(2 + $random->under(20))];
            $from = $random->under(mb_strlen($old));
            $whole = $words->whole($old, $from, $from + 1 + $random->under(8));
            if ($whole === null) {
                continue;
            }
            $into = $words->into($old, $new, ...$whole);
            self::assertTrue($into === null || (0 <= $into[0] && $into[0] < $into[1] && $into[1] <= mb_strlen($new)));
            self::assertSame($whole, $words->into($old, $old, ...$whole));
            $after = $words->into($old, "Before. {$old}", ...$whole);
            self::assertNotNull($after);
        }
    }
}

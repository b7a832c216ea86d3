<?php

declare(strict_types=1);

namespace Tests\Core;

use DOMDocument;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Miniature\Canvas;
use MistyAttic\Core\Miniature\Sample;
use MistyAttic\Core\Miniature\Tone;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** States from afar: of any state of any kind, never too large, the same for the same. Set SEED to repeat a run. */
final class MiniatureTest extends TestCase
{
    /** @return iterable<string, array{Kind}> */
    public static function kinds(): iterable
    {
        foreach (Kinds::all() as $kind) {
            yield $kind->name() => [$kind];
        }
    }

    #[DataProvider('kinds')]
    public function test_any_state_is_a_small_picture_that_is_the_same_for_the_same_state(Kind $kind): void
    {
        $seed = (int) (getenv('SEED') ?: random_int(1, 1_000_000));
        for ($round = 0; $round < 40; $round++) {
            $random = new RandomContent($seed + $round, $kind->name());
            $tree = $random->edited($random->tree(1 + $random->under(60)), $random->under(6));
            $changed = $random->under(2) === 0
                ? []
                : array_fill_keys(array_column(array_filter($tree->parts, fn () => $random->under(3) === 0), 'id'), $random->under(16));
            $svg = self::drawn($kind, $tree, $changed);
            self::assertLessThanOrEqual(Canvas::MOST, strlen($svg), "seed {$seed}, round {$round}");
            self::assertSame(
                $svg,
                self::drawn($kind, PartTree::of(Part::fromRecords(array_map(fn (Part $part) => $part->record(), $tree->parts))), $changed),
                "seed {$seed}, round {$round}",
            );
            self::assertTrue((new DOMDocument)->loadXML($svg), "seed {$seed}, round {$round}");
        }
    }

    #[DataProvider('kinds')]
    public function test_what_changed_has_the_colour_of_who_changed_it_however_much_there_is(Kind $kind): void
    {
        // Random content is no picture that any change could be looked for in; one part of each state is said to be new.
        foreach ([3, 90, 300] as $size) {
            $random = new RandomContent(7 + $size, $kind->name());
            $tree = $random->tree($size);
            if ($tree->parts === []) {
                continue;
            }
            $last = $kind->grid() === null ? $tree->parts[0] : $this->row($kind, $tree);
            if ($last === null || $this->isUnseen($last)) {
                continue;
            }
            self::assertStringContainsString(
                'class="e4"',
                self::drawn($kind, $tree, [$last->id => 4]),
                "{$kind->name()} of {$size}: {$last->role}",
            );
        }
        $this->addToAssertionCount(1);
    }

    public function test_words_of_people_are_only_words_in_it(): void
    {
        $tree = PartTree::of([
            new Part('head', 'heading', 0, ['level' => 1, 'text' => new RichText([new Run('<script>alert(1)</script> & "more"')])]),
        ]);
        $svg = self::drawn(Kinds::named('document'), $tree, [], '</text><script>x</script>');
        self::assertStringNotContainsString('<script', $svg);
        self::assertStringContainsString('&lt;script', $svg);
    }

    public function test_its_colours_are_those_of_the_screens(): void
    {
        $tokens = (string) file_get_contents(__DIR__.'/../../resources/css/_tokens.scss');
        [$day, $night] = [
            substr($tokens, 0, (int) strpos($tokens, '@mixin night')),
            substr($tokens, (int) strpos($tokens, '@mixin night')),
        ];
        foreach (Tone::ALL as [$token, $light, $dark]) {
            self::assertStringContainsString("--{$token}: {$light};", $day);
            self::assertStringContainsString("--{$token}: {$dark};", $night);
        }
    }

    public function test_a_picture_that_has_no_room_is_left_out(): void
    {
        $canvas = new Canvas;
        self::assertFalse($canvas->picture(0, 0, 10, 10, 'image/jpeg', str_repeat('x', Canvas::MOST)));
        self::assertTrue($canvas->picture(0, 0, 10, 10, 'image/jpeg', 'small'));
        for ($at = 0; $at < 2_000; $at++) {
            $canvas->bar($at % 290, $at % 200, 5, 3, Tone::LINE);
        }
        self::assertLessThanOrEqual(Canvas::MOST, strlen($canvas->svg()));
    }

    public function test_of_many_things_those_that_are_wanted_stay_in_their_order(): void
    {
        $thinned = Sample::thinned(range(0, 999), 12, fn (int $each) => in_array($each, [3, 501, 998], true));
        self::assertCount(12, $thinned);
        self::assertSame([], array_diff([0, 3, 501, 998], $thinned));
        $sorted = $thinned;
        sort($sorted);
        self::assertSame($sorted, $thinned);
    }

    /** @param array<string, int> $changed */
    private static function drawn(Kind $kind, PartTree $tree, array $changed, string $title = 'Kettle guide'): string
    {
        $canvas = new Canvas;
        $kind->drawing()->draw(new Sample($title, $tree->parts, $tree->count(), $changed), $canvas);

        return $canvas->svg();
    }

    /** The first row with a cell in it. */
    private function row(Kind $kind, PartTree $tree): ?Part
    {
        foreach ($tree->parts as $part) {
            if ($part->role === $kind->grid()?->row && $part->fields !== []) {
                return $part;
            }
        }

        return null;
    }

    /** Settings of a form, columns and the file itself are not drawn as such. */
    private function isUnseen(Part $part): bool
    {
        return in_array($part->role, ['settings', 'page', 'bytes'], true);
    }
}

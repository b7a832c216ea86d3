<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Merge\LineMerge;
use MistyAttic\Core\Merge\TakeOut;
use MistyAttic\Core\Merge\TextMerge;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** What must hold for any two edits of a text. */
#[Group('slow')]
final class MergeLawsTest extends TestCase
{
    private const WORDS = [
        'we',
        'write',
        'a',
        'small',
        'letter',
        'on',
        'every',
        'lamp',
        'and',
        'keep',
        'the',
        'key',
        'behind',
        'two',
        'doors',
        'near',
        'old',
        'bench',
    ];

    private Randomizer $random;

    private Words $words;

    protected function setUp(): void
    {
        $seed = (int) (getenv('SEED') ?: random_int(1, 1_000_000));
        fwrite(STDERR, "\nmerge laws: SEED={$seed}\n");
        $this->random = new Randomizer(new Mt19937($seed));
        $this->words = new Words;
    }

    public function test_of_two_rewrites_of_a_sentence_one_stands_unbroken(): void
    {
        for ($round = 0; $round < 4000; $round++) {
            $base = $this->sentence();
            [$theirs, $mine] = [$this->rewritten($base), $this->rewritten($base)];
            $merge = $this->merge("Before it. {$base} After it.", "Before it. {$theirs} After it.", "Before it. {$mine} After it.");
            $text = $merge->text->text();
            self::assertTrue(str_contains($text, $theirs) || str_contains($text, $mine), "{$base}\n{$theirs}\n{$mine}\n{$text}");
            if ($theirs !== $mine && $theirs !== $base && $mine !== $base) {
                self::assertCount(1, $merge->meetings, "{$base}\n{$theirs}\n{$mine}\n{$text}");
                self::assertStringContainsString(
                    $mine,
                    $merge->meetings[0]->with($merge->meetings[0]->mine)->text(),
                    'taking mine gives mine whole',
                );
            }
        }
    }

    public function test_typing_on_in_what_was_held_back_stays_in_the_same_place(): void
    {
        for ($round = 0; $round < 2000; $round++) {
            $base = $this->sentence();
            [$theirs, $mine] = [$this->rewritten($base), $this->rewritten($base)];
            if ($theirs === $mine || $theirs === $base || $mine === $base) {
                continue;
            }
            // Two rewrites that came out alike but for a word: seen from mine, theirs writes over that word alone, and both can stay.
            if (count(array_diff(explode(' ', $mine), explode(' ', $theirs))) < 2) {
                continue;
            }
            // One more word in mine; the state that was sent is the base now.
            $words = explode(' ', $mine);
            array_splice($words, $this->random->getInt(1, count($words) - 1), 0, ['again']);
            $merge = $this->merge($mine, $theirs, implode(' ', $words));
            self::assertSame($theirs, $merge->text->text(), "{$mine}\n{$theirs}");
            self::assertNotSame([], $merge->meetings);
        }
    }

    public function test_the_same_put_in_by_both_stands_once_however_the_text_repeats_itself(): void
    {
        for ($round = 0; $round < 4000; $round++) {
            // Few different lines, as in tables of hours.
            $line = fn (): string => ['Monday ten to six', 'closed', '', 'Tuesday ten to six'][$this->random->getInt(0, 3)]."\n";
            $base = array_map($line, range(1, $this->random->getInt(2, 14)));
            $block = array_map($line, range(1, $this->random->getInt(1, 4)));
            $at = $this->random->getInt(0, count($base));
            $with = $base;
            array_splice($with, $at, 0, $block);
            // Each side changed something else far away, too.
            $theirs = ["Theirs\n", "Stays\n", ...$with, "Stays as well\n"];
            $mine = ["Stays\n", ...$with, "Stays as well\n", "Mine\n"];
            $merged = LineMerge::of(["Stays\n", ...$base, "Stays as well\n"], $theirs, $mine);
            $clean = array_filter($merged, is_array(...)) === [];
            if ($clean) {
                self::assertSame(
                    "Theirs\nStays\n".implode('', $with)."Stays as well\nMine\n",
                    implode('', array_filter($merged, is_string(...))),
                    json_encode([$base, $block, $at], JSON_THROW_ON_ERROR),
                );
            }
        }
    }

    public function test_taking_out_a_sentence_leaves_those_that_others_put_beside_it(): void
    {
        for ($round = 0; $round < 1000; $round++) {
            $sentences = array_map(fn (int $n): string => $this->sentence(), range(1, $this->random->getInt(1, 4)));
            $at = $this->random->getInt(0, count($sentences));
            $nells = 'Nell put this in.';
            $text = fn (array $all): PartTree => PartTree::of([
                new Part('p001', 'paragraph', 0, ['text' => RichText::plain(implode(' ', $all))]),
            ]);
            $after = $sentences;
            array_splice($after, $at, 0, [$nells]);
            $now = $after;
            array_splice($now, $at + ($this->random->getInt(0, 1) === 1 ? 1 : 0), 0, ['And Tobi this.']);
            $without = TakeOut::of($text($now), [[$text($sentences), $text($after)]]);
            self::assertSame([], $without->conflicts);
            self::assertSame(implode(' ', array_values(array_diff($now, [$nells]))), $without->tree->parts[0]->richText()->text());
        }
    }

    private function merge(string $base, string $theirs, string $mine): TextMerge
    {
        return TextMerge::of(RichText::plain($base), RichText::plain($theirs), RichText::plain($mine), $this->words);
    }

    private function sentence(): string
    {
        return ucfirst(
            implode(
                ' ',
                array_map(
                    fn (int $n): string => self::WORDS[$this->random->getInt(0, count(self::WORDS) - 1)],
                    range(1, $this->random->getInt(4, 14)),
                ),
            ),
        ).'.';
    }

    /** A third of the words other ones, two at least. */
    private function rewritten(string $sentence): string
    {
        $words = explode(' ', rtrim($sentence, '.'));
        $left = max(2, (int) ceil(count($words) / 3));
        foreach ($this->random->pickArrayKeys($words, min(count($words), $left)) as $at) {
            $words[$at] = 'new'.$this->random->getInt(1, 9999);
        }

        return implode(' ', $words).'.';
    }
}

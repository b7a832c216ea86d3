<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Calculate\Functions;
use MistyAttic\Core\Calculate\OwnFunctions;
use PHPUnit\Framework\TestCase;

/** Wildcards of lookups and of SEARCH, beside a matcher that tries all there is. */
final class WildcardsTest extends TestCase
{
    public function test_they_find_what_trying_all_finds(): void
    {
        $functions = new Functions;
        mt_srand($seed = random_int(1, 1 << 30));
        $text = fn (string $signs, int $most): string => implode(
            '',
            array_map(fn () => mb_substr($signs, mt_rand(0, mb_strlen($signs) - 1), 1), array_fill(0, mt_rand(1, $most), 0)),
        );
        for ($run = 0; $run < 3_000; $run++) {
            [$pattern, $in] = ['*'.$text('abé?*', 5), $text('abé', 8)];
            $pattern = mt_rand(0, 1) === 0 ? $pattern : mb_substr($pattern, 1).'*';
            $is = OwnFunctions::call('VLOOKUP', [$pattern, ['1' => ['A' => $in]], 1, false]);
            self::assertSame([self::fits($pattern, $in) ? $in : '#N/A'], $is, "seed {$seed}: {$pattern} in {$in}");
            $fits = (int) self::fits($pattern, $in);
            foreach (
                ['COUNTIF' => $fits, 'SUMIF' => 7.0 * $fits, 'MATCH' => $fits === 1 ? 1 : '#N/A', 'COUNTIFS' => 1 - $fits] as $name => $wanted
            ) {
                $arguments = match ($name) {
                    'COUNTIF' => [[1 => ['A' => $in]], "={$pattern}"],
                    'SUMIF' => [[1 => ['A' => $in]], $pattern, [1 => ['A' => 7]]],
                    'MATCH' => [$pattern, [1 => ['A' => $in]], 0],
                    default => [[1 => ['A' => $in]], "<>{$pattern}"],
                };
                self::assertEquals($wanted, $functions->call($name, $arguments), "seed {$seed}: {$name} of {$pattern} in {$in}");
            }
            $first = '#VALUE!';
            for ($at = mb_strlen($in); $at >= 0; $at--) {
                $first = self::fits($pattern.'*', mb_substr($in, $at)) ? $at + 1 : $first;
            }
            self::assertSame([$first], OwnFunctions::call('SEARCH', [$pattern, $in]), "seed {$seed}: {$pattern} searched in {$in}");
        }
    }

    public function test_no_pattern_makes_them_go_back_and_back(): void
    {
        $in = str_repeat('a', 20_000);
        // The sign that is wanted last is where it does not help.
        self::assertSame(['#N/A'], OwnFunctions::call('VLOOKUP', ['*a*a*a*a*a*b', ['1' => ['A' => 'b'.$in]], 1, false]));
        self::assertSame(PREG_NO_ERROR, preg_last_error());
        $hard = [1 => ['A' => 'b'.$in]];
        self::assertSame(
            [0, '#N/A', '#LIMIT!'],
            [
                (new Functions)->call('COUNTIF', [$hard, '*a*a*a*a*a*b']),
                (new Functions)->call('MATCH', ['*a*a*a*a*a*b', $hard, 0]),
                (new Functions)->call('DCOUNTA', [$hard, 1, [1 => ['A' => '*a*a*a*a*a*b']]]),
            ],
        );
        self::assertSame(PREG_NO_ERROR, preg_last_error());
        self::assertSame(['#VALUE!'], OwnFunctions::call('SEARCH', ['a*a*a*a*b?', $in.'b']));
        self::assertSame(PREG_NO_ERROR, preg_last_error());
    }

    private static function fits(string $pattern, string $text): bool
    {
        if ($pattern === '') {
            return $text === '';
        }
        [$sign, $rest] = [mb_substr($pattern, 0, 1), mb_substr($pattern, 1)];
        if ($sign === '*') {
            return self::fits($rest, $text) || ($text !== '' && self::fits($pattern, mb_substr($text, 1)));
        }

        return $text !== '' && ($sign === '?' || $sign === mb_substr($text, 0, 1)) && self::fits($rest, mb_substr($text, 1));
    }
}

<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Edits;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;
use PHPUnit\Framework\TestCase;

/** What windows send, whatever somebody does in them, is never refused, and becomes what is in the window: see tests/scripts/sendings.mjs. */
final class SendingsTest extends TestCase
{
    public function test_what_a_window_sends_of_a_sheet_becomes_what_is_in_it(): void
    {
        $seed = (int) (getenv('SEED') ?: random_int(1, 99999));
        $script = escapeshellarg(__DIR__.'/../scripts/sendings.mjs');
        exec("node {$script} {$seed} ".(getenv('LIVES') ?: 40), $lines, $status);
        self::assertSame(0, $status, "SEED={$seed}");
        self::assertNotSame([], $lines);
        $kind = Kinds::named('spreadsheet');
        $shown = fn (PartTree $tree): array => array_map(
            fn (Part $part): array => $part->toJson(),
            Consequences::withoutResults($kind, $tree)->parts,
        );
        foreach ($lines as $line) {
            ['at' => $at, 'base' => $base, 'edits' => $edits, 'after' => $after] = json_decode($line, true, flags: JSON_THROW_ON_ERROR);
            $reading = Edits::apply(self::tree($base), $edits, $kind, new Limits);
            self::assertSame([], $reading->problems, "{$at}: SEED={$seed}");
            self::assertEquals($shown(self::tree($after)), $shown($reading->tree ?? self::fail($at)), "{$at}: SEED={$seed}");
        }
    }

    private static function tree(mixed $parts): PartTree
    {
        return Kinds::named('spreadsheet')->read($parts, new Limits)->tree ?? self::fail('a window holds what no sheet is');
    }
}

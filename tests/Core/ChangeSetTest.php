<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\Misfit;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Match\Matching;
use MistyAttic\Core\Content\InvalidContent;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ChangeSetTest extends TestCase
{
    /** @return array<string, array{array<string, string>, string, string}> */
    public static function picks(): array
    {
        return Cases::in('picks');
    }

    public function test_a_field_of_a_part_that_took_another_role_brings_all_of_it(): void
    {
        $text = fn (string $text): RichText => RichText::plain($text);
        $old = PartTree::of([
            new Part('pone', 'paragraph', 0, ['text' => $text('Tools we lend')]),
            new Part('ptwo', 'paragraph', 0, ['text' => $text('Sign the log')]),
        ]);
        $new = PartTree::of([
            new Part('pone', 'heading', 0, ['level' => 2, 'text' => $text('Tools that we lend')]),
            new Part('ptwo', 'paragraph', 0, ['text' => $text('Sign the log twice')]),
        ]);
        foreach (['text', 'level'] as $field) {
            $picked = TreeCompare::of($old, $new)
                ->pick($old, ["edited:pone/{$field}"])
                ->changes->apply($old)
                ->orFail();
            self::assertSame(
                [$new->get('pone')->record(), $old->get('ptwo')->record()],
                array_map(fn (Part $part) => $part->record(), $picked->parts),
            );
        }
        // Of one that keeps its role a field comes alone.
        $tasks = fn (string $words, bool $done): PartTree => PartTree::of([
            new Part('pone', 'item', 0, ['style' => 'task', 'done' => $done, 'text' => $text($words)]),
        ]);
        self::assertEquals(
            $tasks('Sign', true)->parts,
            TreeCompare::of($tasks('Sign', false), $tasks('Sign it', true))
                ->pick($tasks('Sign', false), ['edited:pone/done'])
                ->changes->apply($tasks('Sign', false))
                ->orFail()->parts,
        );
    }

    /** @param array<string, string> $case */
    #[DataProvider('picks')]
    public function test_picked_changes_take_along_what_they_need(array $case, string $file, string $title): void
    {
        $kind = Kinds::named($case['kind'] ?? 'document');
        $old = Sketch::read($case['old'], $kind->name());
        $picked = TreeCompare::of($old, Sketch::read($case['new'], $kind->name()))->pick($old, explode("\n", $case['pick']));
        $said = Sketch::write($picked->changes->apply($old)->orFail(), $kind->name());
        $said .= $picked->also === [] ? '' : "\nalso: ".implode(' ', $picked->also);
        $said .= $picked->unknown === [] ? '' : "\nunknown: ".implode(' ', $picked->unknown);
        $said = ltrim($said, "\n");
        if (getenv('REWRITE')) {
            Cases::rewrite($file, $title, 'gives', $said);
        }
        self::assertSame($case['gives'], $said);
    }

    /** @return array<string, array{array<string, string>, string, string}> */
    public static function matchings(): array
    {
        return Cases::in('matching');
    }

    /** @param array<string, string> $case */
    #[DataProvider('matchings')]
    public function test_states_without_common_ids_are_matched(array $case, string $file, string $title): void
    {
        $kind = Kinds::named($case['kind'] ?? 'document');
        $old = Sketch::read($case['old'], $kind->name());
        $matched = Matching::adopt($old, Sketch::read($case['new'], $kind->name()), $kind->grid());
        self::assertTrue($matched->exact);
        $said = implode(
            "\n",
            array_map(
                fn (Change $change) => rtrim($change->key().' '.implode(' ', $change->fields())),
                TreeCompare::of($old, $matched->tree)->changes,
            ),
        );
        if (getenv('REWRITE')) {
            Cases::rewrite($file, $title, 'changes', $said);
        }
        self::assertSame($case['changes'], $said);
    }

    /** @return array<string, array{string, list<string>}> the tree that has moved on, and what does not fit */
    public static function movedOn(): array
    {
        return [
            'nothing in the way' => ["h1 # Title\np1 . One.\np2 . Two.\ni1 - tools\n  i2 - saw\np8 . More.", []],
            'the edited text was edited' => ["h1 # Title\np1 . One, once.\np2 . Two.\ni1 - tools\n  i2 - saw", ['differs p1 text']],
            'the edited part is gone' => ["h1 # Title\np2 . Two.\ni1 - tools\n  i2 - saw", ['gone p1', 'no_sibling p3']],
            'the removed part was edited' => ["h1 # Title\np1 . One.\np2 . Two.\ni1 - tools\n  i2 - large saw", ['differs i2']],
            'the removed part holds something new' => [
                "h1 # Title\np1 . One.\np2 . Two.\ni1 - tools\n  i2 - saw\n    i3 - blade",
                ['holds i2'],
            ],
            'the added part is there' => ["h1 # Title\np1 . One.\np2 . Two.\ni1 - tools\n  i2 - saw\np3 . Three.", ['there p3']],
        ];
    }

    /** @param list<string> $misfits */
    #[DataProvider('movedOn')]
    public function test_what_does_not_fit_is_told_exactly(string $now, array $misfits): void
    {
        $old = Sketch::read("h1 # Title\np1 . One.\np2 . Two.\ni1 - tools\n  i2 - saw");
        $new = Sketch::read("h1 # Title\np2 . Two.\np1 . One!\np3 . Three.\ni1 - tools");
        $applied = TreeCompare::of($old, $new)->apply(Sketch::read($now));
        $said = array_map(fn (Misfit $misfit) => rtrim("{$misfit->type->value} {$misfit->id} {$misfit->field}"), $applied->misfits);
        self::assertSame($misfits, $said);
        self::assertSame($misfits === [], $applied->tree !== null);
    }

    public function test_what_changed_its_role_or_stands_elsewhere_by_now_does_not_fit(): void
    {
        $old = Sketch::read("p1 . One.\ni1 - tools\ni2 - saw");
        $changes = TreeCompare::of($old, Sketch::read("p1 # One.\ni1 - tools\ni2 - saw\ni3 - file"));
        $said = fn (string $now): array => array_map(
            fn (Misfit $misfit) => "{$misfit->type->value} {$misfit->id}",
            $changes->apply(Sketch::read($now))->misfits,
        );
        self::assertSame([], $said("i1 - tools\ni2 - saw\np1 . One."));
        self::assertSame(['differs p1'], array_values(array_unique($said("p1 - One.\ni1 - tools\ni2 - saw"))));
        self::assertSame(['no_sibling i3'], $said("p1 . One.\ni1 - tools\n  i2 - saw"));
    }

    public function test_a_number_that_the_other_file_holds_as_text_tells_rows_as_well(): void
    {
        $table = function (string $prefix, callable $held, int ...$without): PartTree {
            $parts = [new Part("{$prefix}t", 'tab', 0, ['name' => 'Log']), new Part("{$prefix}a", 'column', 1, ['name' => 'Seat'])];
            for ($i = 0; $i < 300; $i++) {
                if (! in_array($i, $without, true)) {
                    $parts[] = new Part("{$prefix}r{$i}", 'row', 1, ["{$prefix}a" => $held($i * 7 % 271)]);
                }
            }

            return PartTree::of($parts);
        };
        $old = $table('o', fn (int $seat): int => $seat, 40, 41);
        $new = Matching::adopt(
            $old,
            $table('n', fn (int $seat): string|int => $seat % 2 === 0 ? (string) $seat : $seat, 100),
            (new SpreadsheetKind)->grid(),
        );
        self::assertTrue($new->exact);
        $changes = TreeCompare::of($old, $new->tree);
        self::assertSame(
            [2, 1, 0],
            array_map(fn (ChangeType $type): int => count($changes->of($type)), [ChangeType::Added, ChangeType::Removed, ChangeType::Moved]),
        );
    }

    public function test_json_that_is_no_change_set_is_refused(): void
    {
        $good = TreeCompare::of(Sketch::read('p1 . One.'), Sketch::read('p2 . Two.'))->toJson();
        $broken = [
            null,
            7,
            [],
            ['changes' => 1],
            ['changes' => [['type' => 'eaten']]],
            ['changes' => [['type' => 'added']]],
            ['changes' => [['type' => 'moved', 'before' => ['p1', 'x', 0, []]]]],
        ];
        foreach ($broken as $value) {
            try {
                ChangeSet::fromJson($value);
                self::fail((string) json_encode($value));
            } catch (InvalidContent) {
                self::assertNotSame($good, $value);
            }
        }
    }

    public function test_a_set_that_leads_round_in_a_circle_does_not_fit(): void
    {
        $old = Sketch::read("i1 - a\ni2 - b");
        $in = TreeCompare::of($old, Sketch::read("i1 - a\n  i2 - b"))->changes;
        $out = TreeCompare::of($old, Sketch::read("i2 - b\n  i1 - a"))->changes;
        $applied = (new ChangeSet([...$in, ...array_filter($out, fn (Change $change) => $change->id === 'i1')]))->apply($old);
        self::assertNull($applied->tree);
        self::assertSame('circle', $applied->misfits[0]->type->value);
        self::assertNotSame([], PartTree::of($old->parts)->parts);
    }
}

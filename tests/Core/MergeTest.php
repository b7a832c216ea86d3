<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Merge\Choice;
use MistyAttic\Core\Merge\Conflict;
use MistyAttic\Core\Merge\ConflictType;
use MistyAttic\Core\Merge\Settlement;
use MistyAttic\Core\Merge\TreeMerge;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MergeTest extends TestCase
{
    /** @return array<string, array{array<string, string>, string, string}> */
    public static function cases(): array
    {
        return [...Cases::in('merges'), ...Cases::in('combinations')];
    }

    /** @param array<string, string> $case */
    #[DataProvider('cases')]
    public function test_two_ways_on_are_merged(array $case, string $file, string $title): void
    {
        $kind = Kinds::named($case['kind'] ?? 'document');
        $merged = TreeMerge::of(
            Sketch::read($case['base'], $kind->name()),
            Sketch::read($case['theirs'], $kind->name()),
            Sketch::read($case['mine'], $kind->name()),
        );
        $tree = $kind->repair($merged->tree);
        $said = Sketch::write($tree, $kind->name());
        foreach ($merged->conflicts as $conflict) {
            self::assertEquals($conflict, Conflict::fromJson($conflict->toJson()));
            $said .= "\nheld: {$conflict->type->value} {$conflict->id}"
            .($conflict->meeting === null
                ? ''
                : ' “'.Sketch::text($conflict->meeting->mine).'” met “'.Sketch::text($conflict->meeting->theirs).'”');
            $said .= "\n".preg_replace('/^/m', '  ', Sketch::write(Settlement::of($tree, $conflict, Choice::Mine), $kind->name()));
        }
        if (getenv('REWRITE')) {
            Cases::rewrite($file, $title, 'merged', $said);
        }
        self::assertSame($case['merged'], $said);

        // Which of the two came first makes a difference only where they met.
        $swapped = TreeMerge::of(
            Sketch::read($case['base'], $kind->name()),
            Sketch::read($case['mine'], $kind->name()),
            Sketch::read($case['theirs'], $kind->name()),
        );
        self::assertSame($merged->conflicts === [], $swapped->conflicts === [], 'with the sides swapped');
        if ($merged->conflicts === []) {
            self::assertSame(
                Sketch::write($tree, $kind->name()),
                Sketch::write($kind->repair($swapped->tree), $kind->name()),
                'with the sides swapped',
            );
        }
    }

    public function test_what_waits_is_not_replaced_while_its_cells_stand_nowhere_else(): void
    {
        $column = new Part('col1', 'field', 0, ['name' => 'Kilos']);
        $waits = new Conflict(ConflictType::EditedRemoved, 'col1', [$column], null, cells: ['row1' => 'four']);
        $next = new Conflict(ConflictType::EditedRemoved, 'col1', [$column], null, cells: ['row2' => 'five']);
        $row = new Part('row1', 'record', 0, ['col1' => 'four']);
        self::assertNull($next->after($waits, PartTree::of([$column])));
        self::assertNull($next->after($waits, PartTree::of([$column, $row->with('col1', 'six')])));
        self::assertSame($next, $next->after($waits, PartTree::of([$column, $row])));
    }

    public function test_who_names_a_column_that_is_gone_holds_its_cells_as_well(): void
    {
        [$column, $row] = [new Part('col1', 'field', 0, ['name' => 'Kilos']), new Part('row1', 'record', 0, ['col1' => 'four'])];
        $merged = TreeMerge::of(
            PartTree::of([$column, $row]),
            PartTree::of([$row->without('col1')]),
            PartTree::of([$column->with('name', 'Kg'), $row]),
        );
        self::assertSame([['row1' => 'four']], array_map(fn (Conflict $conflict) => $conflict->cells, $merged->conflicts));
    }
}

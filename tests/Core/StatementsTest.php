<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Telling\Detail;
use MistyAttic\Core\Compare\Telling\Statement;
use MistyAttic\Core\Compare\Telling\Statements;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Kinds;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class StatementsTest extends TestCase
{
    /** @return array<string, array{array<string, string>, string, string}> */
    public static function cases(): array
    {
        return Cases::in('statements');
    }

    /** @param array<string, string> $case */
    #[DataProvider('cases')]
    public function test_changes_are_said_as_facts(array $case, string $file, string $title): void
    {
        $kind = Kinds::named($case['kind'] ?? 'document');
        $old = Sketch::read($case['old'], $kind->name());
        $new = Sketch::read($case['new'], $kind->name());
        $changes = TreeCompare::of($old, $new);
        self::assertSame($this->records($new->parts), $this->records($changes->apply($old)->orFail()->parts));
        $statements = Statements::of($kind, $old, $new, $changes);
        $said = implode("\n", array_map($this->line(...), $statements));
        $most = Statements::mostTelling($statements);
        $said .= count($statements) > 1 && $most !== null ? "\nmost: {$this->line($most)}" : '';
        if (getenv('REWRITE')) {
            Cases::rewrite($file, $title, 'says', $said);
        }
        self::assertSame($case['says'], $said);
    }

    public function test_many_cells_of_one_table_are_listed_one_by_one(): void
    {
        $rows = fn (callable $cell): string => "t1 tab name=June\n  c1 column\n"
            .implode("\n", array_map(fn (int $row) => "  r{$row} row".$cell($row), range(1, 30)));
        $kind = Kinds::named('spreadsheet');
        $old = Sketch::read($rows(fn (int $row) => ''), 'spreadsheet');
        $new = Sketch::read($rows(fn (int $row) => " c1={$row}"), 'spreadsheet');
        $statements = Statements::of($kind, $old, $new, TreeCompare::of($old, $new), Detail::Listed);
        self::assertSame(array_fill(0, 30, 'filled'), array_column($statements, 'code'));
        self::assertSame(['r17/c1'], $statements[16]->cells);
    }

    private function line(Statement $statement): string
    {
        $values = array_filter($statement->values, fn ($value) => $value !== '' && $value !== 0);
        ksort($values);

        return $statement->code
            .' '
            .implode(
                ' ',
                array_map(
                    fn (string $name, string|int $value) => "{$name}=".(is_int($value) ? $value : "“{$value}”"),
                    array_keys($values),
                    $values,
                ),
            )
            ." +{$statement->added} -{$statement->removed}";
    }

    /**
     * @param  list<Part>  $parts
     * @return list<string>
     */
    private function records(array $parts): array
    {
        return array_map(fn (Part $part) => $part->record(), $parts);
    }
}

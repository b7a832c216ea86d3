<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Compare\Changes\TreeCompare;
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

    private function line(Statement $statement): string
    {
        $values = array_filter($statement->values, fn ($value) => $value !== '' && $value !== 0);
        ksort($values);

        return $statement->code.' '.implode(' ', array_map(fn (string $name, string|int $value) => "{$name}=".(is_int($value) ? $value : "“{$value}”"), array_keys($values), $values))." +{$statement->added} -{$statement->removed}";
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

<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Calculate\Consequences;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\TypedText;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Edits;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;
use MistyAttic\Core\Kinds\Formulas\Formula;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Kinds\NumberLook;
use MistyAttic\Core\Kinds\Spreadsheet\TypedCell;
use PHPUnit\Framework\TestCase;

/** What the browser does, too, is held against the same cases as the browser is: tests/scripts/cases.test.mjs. */
final class SharedCasesTest extends TestCase
{
    public function test_a_value_is_shown_as_its_format_says(): void
    {
        foreach (self::cases('looks') as $format => $of) {
            foreach ($of as [$value, $text]) {
                self::assertSame($text, NumberLook::show($value, "|{$format}"), json_encode($value)." as {$format}");
            }
        }
    }

    public function test_the_texts_of_a_column_are_read_as_what_they_are(): void
    {
        foreach (self::cases('typed') as ['texts' => $texts, 'values' => $values]) {
            $parts = [new Part('tab1', 'tab', 0, ['name' => '']), new Part('cola', 'column', 1, [])];
            foreach ($texts as $at => $text) {
                $parts[] = new Part("row{$at}", 'row', 1, ['cola' => $text]);
            }
            self::assertSame(
                $values,
                array_map(fn (Part $part) => Cell::bare($part->fields['cola']), array_slice(TypedText::in(PartTree::of($parts))->parts, 2)),
            );
        }
    }

    public function test_what_is_typed_in_a_cell_is_read(): void
    {
        foreach (self::cases('typing') as [$text, $value]) {
            self::assertSame($value, TypedCell::read($text), $text);
            self::assertSame($value, TypedCell::read(TypedCell::editable($value)), "{$text}, edited and left alone");
        }
    }

    public function test_a_formula_is_kept_by_ids_and_spelled_in_letters(): void
    {
        ['own' => $own, 'sheet' => $sheet, 'spelled, kept, spelled again' => $formulas] = self::cases('formulas');
        $places = new CellPlaces(self::tree($sheet));
        foreach ($formulas as [$spelled, $kept, $again]) {
            self::assertSame([$kept, $again], [Formula::keep($spelled, $own, $places), Formula::spell($kept, $own, $places)], $spelled);
        }
    }

    public function test_edits_are_what_leads_from_one_state_to_the_other(): void
    {
        $kind = Kinds::named('spreadsheet');
        foreach (self::cases('edits') as $at => ['from' => $from, 'edits' => $edits, 'to' => $to]) {
            [$old, $new] = [self::tree($from), self::tree($to)];
            self::assertEquals($edits, json_decode((string) json_encode(Edits::between($old, $new, 'row')), true), "case {$at}");
            $reading = Edits::apply($old, $edits, $kind, new Limits);
            self::assertSame([], $reading->problems, "case {$at}");
            self::assertEquals(
                Consequences::withoutResults($kind, $new)->parts,
                Consequences::withoutResults($kind, $reading->tree ?? $old)->parts,
                "case {$at}",
            );
        }
    }

    /** @param list<array{string, string, int, array<string, mixed>}> $parts */
    private static function tree(array $parts): PartTree
    {
        return PartTree::of(array_map(fn (array $part) => Part::fromJson($part), $parts));
    }

    /** @return array<mixed> */
    private static function cases(string $name): array
    {
        return json_decode((string) file_get_contents(__DIR__."/../cases/{$name}.json"), true, flags: JSON_THROW_ON_ERROR);
    }
}

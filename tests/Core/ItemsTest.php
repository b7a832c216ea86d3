<?php

declare(strict_types=1);

namespace Tests\Core;

use JsonSchema\Validator;
use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\ItemSchema;
use MistyAttic\Core\Formats\JsonReader;
use MistyAttic\Core\Formats\JsonWriter;
use MistyAttic\Core\Formats\SaidInFile;
use MistyAttic\Core\Formats\TrackedTree;
use MistyAttic\Core\Kinds\Kinds;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;

/** Items of every kind as JSON: as the schema says, and the same when they come in again. */
final class ItemsTest extends TestCase
{
    private const DOCS = __DIR__.'/../../docs/formats/items.schema.json';

    public function test_the_schema_that_is_documented_is_the_one_of_the_roles(): void
    {
        self::assertStringEqualsFile(self::DOCS, ItemSchema::json());
    }

    /** @return array<string, array{string}> */
    public static function kinds(): array
    {
        return array_combine(
            $names = ['document', 'spreadsheet', 'dataset', 'report', 'form', 'entry', 'page'],
            array_map(fn (string $name) => [$name], $names),
        );
    }

    #[DataProvider('kinds')]
    #[Group('slow')]
    public function test_what_goes_out_fits_the_schema_and_comes_in_the_same(string $name): void
    {
        $seed = random_int(1, 1_000_000);
        for ($run = 0; $run < 12; $run++) {
            $tree = (new RandomContent($seed + $run, $name))->tree(30);
            $pictures = [bin2hex(Address::of('bytes')) => 'bytes'];
            $said = [
                new SaidInFile(
                    'Ines',
                    'Why?',
                    'words',
                    null,
                    $tree->parts[0]->id,
                    '',
                    '2026-11-30T08:00:00Z',
                    [new SaidInFile('', "So.\n”", at: '2026-11-30T08:01:00Z')],
                    true,
                ),
                new SaidInFile('Tobi', 'About all of it'),
            ];
            $proposed = new TrackedTree('Nell “W”', (new RandomContent($seed + $run + 100, $name))->tree(10), $pictures);
            $json = (new JsonWriter)->write(Kinds::named($name), $tree, $pictures, $said, [$proposed]);
            $back = (new JsonReader)->read($json, new FormatLimits);
            self::assertSame([$name, $pictures], [$back->kind->name(), $back->pictures]);
            self::assertEquals($said, $back->said);
            self::assertSame(
                ['Nell “W”', true],
                [$back->tracked[0]->by, $back->tracked[0]->tree->equals($proposed->tree)],
                "seed {$seed}, run {$run}",
            );
            self::assertTrue($back->tree->equals($tree), "seed {$seed}, run {$run}");
            $validator = new Validator;
            $value = json_decode($json);
            $validator->validate($value, json_decode((string) file_get_contents(self::DOCS)));
            self::assertSame([], $validator->getErrors(), "seed {$seed}, run {$run}");
        }
    }

    public function test_a_picture_that_is_not_what_its_address_says_is_left_out(): void
    {
        $json = str_replace(
            base64_encode('bytes'),
            base64_encode('other'),
            (new JsonWriter)->write(Kinds::named('page'), (new RandomContent(7, 'page'))->tree(5), [
                bin2hex(Address::of('bytes')) => 'bytes',
            ]),
        );
        self::assertSame([], (new JsonReader)->read($json, new FormatLimits)->pictures);
    }
}

<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds;

use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Dataset\DatasetKind;
use MistyAttic\Core\Kinds\Document\DocumentKind;
use MistyAttic\Core\Kinds\Entry\EntryKind;
use MistyAttic\Core\Kinds\File\FileKind;
use MistyAttic\Core\Kinds\Form\FormKind;
use MistyAttic\Core\Kinds\Page\PageKind;
use MistyAttic\Core\Kinds\Report\ReportKind;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;

/** All kinds of items there are. */
final class Kinds
{
    /** @var list<Kind> */
    private static array $more = [];

    public static function add(Kind $kind): void
    {
        self::$more[] = $kind;
    }

    /** @throws \OutOfBoundsException for a name that is no kind's */
    public static function named(string $name): Kind
    {
        foreach (self::all() as $kind) {
            if ($kind->name() === $name) {
                return $kind;
            }
        }

        throw new \OutOfBoundsException('No kind is called '.$name);
    }

    public static function has(string $name): bool
    {
        return in_array($name, array_map(fn (Kind $kind) => $kind->name(), self::all()), true);
    }

    /** @return list<string> the chunks that the parts of a state refer to, as hexadecimal text, each once */
    public static function chunks(Kind $kind, PartTree $tree): array
    {
        $chunks = [];
        foreach ($tree->parts as $part) {
            foreach ($kind->chunksOf($part) as $chunk) {
                $chunks[$chunk] = true;
            }
        }

        return array_map(strval(...), array_keys($chunks));
    }

    /** @return list<Kind> */
    public static function all(): array
    {
        return [
            new DocumentKind,
            new SpreadsheetKind,
            new DatasetKind,
            new ReportKind,
            new FormKind,
            new EntryKind,
            new PageKind,
            new FileKind,
            ...self::$more,
        ];
    }

    /** @return list<string> the kinds that readers see published versions of, by name */
    public static function published(): array
    {
        $published = array_filter(self::all(), fn (Kind $kind): bool => $kind->isPublishable());

        return array_values(array_map(fn (Kind $kind): string => $kind->name(), $published));
    }
}

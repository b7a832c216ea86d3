<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats\Workbook;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Lines;
use MistyAttic\Core\Formats\Reader;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Cell;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetKind;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;

/**
 * Comma-separated values (RFC 4180), also with semicolons or tabs, as a spreadsheet of one tab. A number is a number only if it is written
 * the one way that numbers are; `007` and `1.50` stay texts, so that nothing is lost.
 */
final class CsvReader implements Reader
{
    /** So many different texts are shared between cells. */
    private const SHARED = 50_000;

    /** @param string|null $separator found out by the first lines when it is null */
    public function __construct(private ?string $separator = null) {}

    public function read(string $bytes, FormatLimits $limits): Content
    {
        $separator = $this->separator ?? self::separator($bytes);
        if (substr_count($bytes, "\n") + substr_count($bytes, "\r") > 2 * $limits->lines) {
            throw Unreadable::tooLarge('it has more lines than can be compared', $limits->lines);
        }
        $records = self::records($bytes);
        if (count($records) > $limits->parts) {
            throw Unreadable::tooLarge('it has more rows than can be compared', $limits->parts);
        }
        $width = $cells = 0;
        $rows = $texts = $ids = [];
        foreach ($records as $at => $record) {
            $values = self::values($record, $separator);
            $width = max($width, count($values));
            $cells += count($values);
            if ($width > $limits->columns) {
                throw Unreadable::because("it has more than {$limits->columns} columns", 'record '.($at + 1));
            }
            if ($cells > $limits->cells) {
                throw Unreadable::tooLarge('it has more cells than can be compared', $limits->cells);
            }
            $fields = [];
            foreach ($values as $column => $value) {
                if ($value !== '') {
                    $typed = self::typed(mb_scrub($value));
                    // The same text is held once; where all are different, not even the list of them is.
                    $fields[($ids[$column] ??= sprintf('c%03d', $column))]
                        = is_string($typed) && count($texts) < self::SHARED ? ($texts[$typed] ??= $typed) : $typed;
                }
            }
            $rows[] = new Part(sprintf('r%04d', $at), SpreadsheetRole::Row->value, 1, $fields);
        }
        $parts = [new Part('tab0', SpreadsheetRole::Tab->value, 0, ['name' => '', 'frozen' => 1])];
        for ($column = 0; $column < $width; $column++) {
            $parts[] = new Part(sprintf('c%03d', $column), SpreadsheetRole::Column->value, 1, ['width' => 0, 'format' => '']);
        }

        return new Content(new SpreadsheetKind, PartTree::of([...$parts, ...$rows]));
    }

    public static function separator(string $bytes): string
    {
        $head = (string) preg_replace('/"[^"]*"/', '', substr($bytes, 0, 4096));
        $counts = [',' => substr_count($head, ','), ';' => substr_count($head, ';'), "\t" => substr_count($head, "\t")];
        arsort($counts);

        return max($counts) === 0 ? ',' : (string) array_key_first($counts);
    }

    /**
     * The records as they are written, each with its line end: joined again, they are the text to the byte.
     *
     * @return list<string>
     */
    public static function records(string $bytes): array
    {
        $lines = Lines::of($bytes);
        if (! str_contains($bytes, '"')) {
            return $lines;
        }
        $records = [];
        $open = '';
        foreach ($lines as $line) {
            $open .= $line;
            if (substr_count($line, '"') % 2 === 0 ? $open === $line : substr_count($open, '"') % 2 === 0) {
                $records[] = $open;
                $open = '';
            } elseif (strlen($open) > 1_048_576) {
                // A quotation mark that nobody closes: no field is that long, so it is read as it is.
                array_push($records, ...Lines::of($open));
                $open = '';
            }
        }

        return $open === '' ? $records : [...$records, ...Lines::of($open)];
    }

    /** @return list<string> */
    public static function values(string $record, string $separator): array
    {
        $text = rtrim(str_starts_with($record, "\xEF\xBB\xBF") ? substr($record, 3) : $record, "\r\n");

        return str_contains($text, '"')
            ? array_map(strval(...), str_getcsv($text, $separator, '"', ''))
            : explode($separator === '' ? ',' : $separator, $text);
    }

    private static function typed(string $value): string|int|float
    {
        $number = is_numeric($value) && strlen($value) < 18 ? Cell::number($value + 0) : null;

        return $number !== null && is_finite($number) && json_encode($number) === $value ? $number : $value;
    }
}

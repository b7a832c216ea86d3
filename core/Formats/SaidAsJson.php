<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

use MistyAttic\Core\Content\CanonicalJson;
use MistyAttic\Core\Content\InvalidContent;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Limits;

/** What was said and what is proposed, beside the parts of an item as JSON: {@see JsonWriter}, {@see JsonReader}. */
final class SaidAsJson
{
    /** States that are proposed and taken from a file. */
    public const PROPOSALS = 50;

    /**
     * @param  list<SaidInFile>  $said
     * @return list<string> a thread a line
     */
    public static function talk(array $said): array
    {
        return array_map(
            fn (SaidInFile $one): string => CanonicalJson::encode(
                array_filter(
                    [
                        'part' => $one->part,
                        'field' => $one->field,
                        'quote' => $one->quote,
                        'settled' => $one->isSettled,
                        'said' => array_map(
                            fn (SaidInFile $line): array => array_filter(
                                ['by' => $line->by, 'at' => $line->at, 'text' => $line->text],
                                fn (string $value) => $value !== '',
                            ),
                            [$one, ...$one->answers],
                        ),
                    ],
                    fn (array|bool|string $value) => $value !== '' && $value !== false,
                ),
            ),
            $said,
        );
    }

    /**
     * @param  list<TrackedTree>  $proposed
     * @return list<string> whose, with all parts as they would be
     */
    public static function proposals(array $proposed): array
    {
        return array_map(
            fn (TrackedTree $one): string => '{"by": '
                .CanonicalJson::encode($one->by)
                .", \"parts\": [\n"
                .implode(",\n", array_map(fn (Part $part): string => "      {$part->record()}", $one->tree->parts))
                ."\n    ]}",
            $proposed,
        );
    }

    /**
     * What is no thread counts as nothing, as in all files that others write.
     *
     * @return list<SaidInFile>
     */
    public static function readTalk(mixed $given): array
    {
        $threads = [];
        $left = SaidInFile::MOST;
        $text = fn (mixed $of, string $name): string => $of instanceof \stdClass && is_string($of->{$name} ?? null) ? $of->{$name} : '';
        foreach (is_array($given) ? $given : [] as $thread) {
            $lines = $thread instanceof \stdClass && is_array($thread->said ?? null)
                ? array_values(array_filter($thread->said, fn (mixed $line): bool => trim($text($line, 'text')) !== ''))
                : [];
            $lines = array_slice($lines, 0, $left);
            $left -= count($lines);
            if ($lines !== []) {
                $threads[] = new SaidInFile(
                    $text($lines[0], 'by'),
                    $text($lines[0], 'text'),
                    $text($thread, 'quote'),
                    null,
                    $text($thread, 'part'),
                    $text($thread, 'field'),
                    $text($lines[0], 'at'),
                    array_map(
                        fn (mixed $line): SaidInFile => new SaidInFile($text($line, 'by'), $text($line, 'text'), at: $text($line, 'at')),
                        array_slice($lines, 1),
                    ),
                    $thread instanceof \stdClass && ($thread->settled ?? false) === true,
                );
            }
        }

        return $threads;
    }

    /**
     * @param  array<string, string>  $pictures  of the file
     * @return list<TrackedTree>
     *
     * @throws Unreadable when what is proposed does not fit the schema
     */
    public static function readProposals(mixed $given, Kind $kind, Limits $limits, array $pictures): array
    {
        $proposed = [];
        foreach (array_slice(is_array($given) ? $given : [], 0, self::PROPOSALS) as $one) {
            if ($one instanceof \stdClass && is_array($one->parts ?? null)) {
                try {
                    $tree = $kind->read(CanonicalJson::decode((string) json_encode($one->parts, JSON_THROW_ON_ERROR)), $limits)->tree;
                } catch (InvalidContent|\JsonException) {
                    $tree = null;
                }
                $proposed[] = new TrackedTree(
                    is_string($one->by ?? null) ? $one->by : '',
                    $tree ?? throw Unreadable::because('what is proposed in it does not fit the schema of its kind'),
                    $pictures,
                );
            }
        }

        return $proposed;
    }
}

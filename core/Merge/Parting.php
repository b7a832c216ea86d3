<?php

declare(strict_types=1);

namespace MistyAttic\Core\Merge;

use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Texts\Stretches;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;

/** Parts what leads from one state to another: the first with some of the changes, and the second without these. */
final readonly class Parting
{
    private function __construct(public PartTree $with, public PartTree $without) {}

    /**
     * @param  list<string>  $keys  as for {@see ChangeSet::pick}, or of one place of a text by its number in {@see Stretches::$places}:
     *     `edited:p4f2/text~0`
     */
    public static function of(PartTree $is, PartTree $becomes, array $keys): self
    {
        $changes = TreeCompare::of($is, $becomes);
        [$plain, $places] = self::read($keys);
        $words = new Words;
        $some = self::narrowed(
            $changes,
            $places,
            fn (RichText $was, RichText $is, array $which): RichText => Stretches::of($was, $is, $words)->taken($which),
        )->pick($is, $plain)->changes;
        $back = self::narrowed(
            $changes->invert(),
            $places,
            fn (RichText $is, RichText $was, array $which): RichText => Stretches::of($was, $is, $words)->left($which),
        )->pick($becomes, array_merge(...array_map(self::keysBack(...), $some->changes), ...[[]]))->changes;

        return new self($some->apply($is)->orFail(), $back->apply($becomes)->orFail());
    }

    /**
     * @param  list<string>  $keys
     * @return array{list<string>, array<string, array<string, list<int>>>} keys of changes and of their fields, and the places of which
     *     texts alone are meant: part => field => numbers
     */
    private static function read(array $keys): array
    {
        $plain = $places = [];
        foreach ($keys as $key) {
            if (preg_match('~^edited:([^/]+)/(.+)\~(\d{1,6})$~D', $key, $place) === 1) {
                $places[$place[1]][$place[2]][] = (int) $place[3];
            } else {
                $plain[] = $key;
            }
        }
        foreach ($places as $part => $fields) {
            foreach ($fields as $field => $unused) {
                // All of it is more than a place of it.
                if (in_array("edited:{$part}", $plain, true) || in_array("edited:{$part}/{$field}", $plain, true)) {
                    unset($places[$part][$field]);
                } else {
                    $plain[] = "edited:{$part}/{$field}";
                }
            }
        }

        return [$plain, $places];
    }

    /**
     * The set with edits that change some places of their texts alone.
     *
     * @param  array<string, array<string, list<int>>>  $places
     * @param  \Closure(RichText, RichText, list<int>): RichText  $text
     */
    private static function narrowed(ChangeSet $changes, array $places, \Closure $text): ChangeSet
    {
        return $places === [] ? $changes : new ChangeSet(
            array_map(function (Change $change) use ($places, $text): Change {
                [$before, $after] = [$change->before, $change->after];
                // What is something else now has no places.
                if ($change->type !== ChangeType::Edited || $before === null || $after === null || $before->role !== $after->role) {
                    return $change;
                }
                $fields = [];
                foreach ($places[$change->id] ?? [] as $field => $which) {
                    [$was, $is] = [$before->fields[$field] ?? null, $after->fields[$field] ?? null];
                    $fields += $was instanceof RichText && $is instanceof RichText ? [$field => $text($was, $is, $which)] : [];
                }

                return $fields === []
                    ? $change
                    : Change::edited($before, new Part($after->id, $after->role, $after->depth, $fields + $after->fields));
            }, $changes->changes),
            $changes->exact,
        );
    }

    /** @return list<string> */
    private static function keysBack(Change $change): array
    {
        $key = $change->invert()->key();
        $fields = $change->before?->role === $change->after?->role ? $change->fields() : [];

        return $fields === [] ? [$key] : array_map(fn (string $field) => "{$key}/{$field}", $fields);
    }
}

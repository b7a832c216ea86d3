<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Match;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;

/**
 * Does not believe ids that lie. Where a part's whole content turns up under another id in the same step, and what stood there is
 * gone, the part went there: a paragraph joined into the empty one before it, one that was cut and pasted, two that changed ids.
 * Cost follows what differs.
 */
final class Identities
{
    /** The later state under ids that tell what became of which part. */
    public static function righted(PartTree $before, PartTree $after): PartTree
    {
        $ids = self::renamed($before, $after);
        if ($ids === []) {
            return $after;
        }
        // Rules and cells name parts by their ids, so these go along.
        $values = fn (array $fields): array => array_map(
            fn (mixed $value) => is_string($value) && isset($ids[$value]) ? $ids[$value] : $value,
            $fields,
        );

        return PartTree::of(array_map(function (Part $part) use ($ids, $values): Part {
            $fields = $values($part->fields);
            $named = isset($ids[$part->id]) ? $part->named($ids[$part->id]) : $part;

            return $fields === $part->fields ? $named : $named->holding($fields);
        }, $after->parts));
    }

    /** @return array<string, string> id in the later state => the id that it should have */
    private static function renamed(PartTree $before, PartTree $after): array
    {
        // What each part that is gone, or holds something else now, had been.
        $vacant = [];
        foreach ($before->parts as $part) {
            $now = $after->find($part->id);
            if ($now === $part || ($now !== null && ($now->sameFields($part) || ! self::another($part, $now))) || ! self::tells($part)) {
                continue;
            }
            $vacant[self::content($part)][] = $part->id;
        }
        if ($vacant === []) {
            return [];
        }
        $ids = [];
        foreach ($after->parts as $part) {
            $was = $before->find($part->id);
            if ($was === $part || ($was !== null && ($was->sameFields($part) || ! self::another($was, $part))) || ! self::tells($part)) {
                continue;
            }
            $content = self::content($part);
            if (isset($vacant[$content][0])) {
                $ids[$part->id] = (string) array_shift($vacant[$content]);
            }
        }

        return self::closed($ids, $before, $after);
    }

    /**
     * An id that is given to another part must be free: its own part is gone, is called otherwise itself, or takes the new one's
     * in exchange, because nothing of what it was is left in it.
     *
     * @param  array<string, string>  $ids
     * @return array<string, string>
     */
    private static function closed(array $ids, PartTree $before, PartTree $after): array
    {
        do {
            $taken = array_flip($ids);
            $more = false;
            foreach ($ids as $id => $to) {
                $id = (string) $id;
                if (! $after->has($to) || isset($ids[$to])) {
                    continue;
                }
                // Round the chain of new names is one that is free now.
                for ($free = $id; isset($taken[$free]); $free = (string) $taken[$free]);
                if ($before->has($free)) {
                    unset($ids[$id]);
                } else {
                    $ids[$to] = $free;
                }
                $more = true;

                break;
            }
        } while ($more);

        return $ids;
    }

    /** Whether less than half of a part's words are left: it was not edited into the other. */
    private static function another(Part $was, Part $is): bool
    {
        if ($was->role !== $is->role) {
            return false;
        }
        [$old, $new] = [self::words($was), self::words($is)];

        return $old !== $new
            && 2 * count(array_intersect_key(self::counted($old), self::counted($new))) < max(1, count(self::counted($old)));
    }

    /** Whether its content is enough to know it by: two words at least. */
    private static function tells(Part $part): bool
    {
        return count(self::counted(self::words($part))) >= 2;
    }

    private static function words(Part $part): string
    {
        $words = [];
        foreach (['text', 'title', 'label', 'name'] as $field) {
            $value = $part->fields[$field] ?? '';
            $words[] = $value instanceof RichText ? $value->text() : (is_string($value) ? $value : '');
        }

        return trim(implode(' ', $words));
    }

    /** @return array<string, true> */
    private static function counted(string $text): array
    {
        preg_match_all('/[\p{L}\p{N}]+/u', mb_strtolower($text), $found);

        return array_fill_keys(array_map(fn (string $word) => "w{$word}", $found[0]), true);
    }

    private static function content(Part $part): string
    {
        return $part->named('x')->atDepth(0)->record();
    }
}

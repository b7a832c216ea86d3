<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Match;

use MistyAttic\Core\Content\CanonicalJson;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Sequences\Sequences;

/**
 * Matches the parts of two trees: equal ones in order below the same parent, then alike ones between them, then equal and
 * alike ones anywhere. Alike are two parts of one role that share half of their words, counting what is below them.
 */
final class TreeMatching
{
    private const LIKENESS = 0.5;

    /** Words that are counted of one part with what is below it. */
    private const MOST_WORDS = 400;

    /** Larger gaps are not tried pair by pair: their parts are found by their rarest words. */
    private const MOST_PAIRS = 2_500;

    /** So many of a part's rarest words are followed, … */
    private const CLUES = 8;

    /** … none of which more parts share than this, … */
    private const RARE = 400;

    /** … and so many of the parts that share most of them are looked at. */
    private const CANDIDATES = 8;

    public bool $exact = true;

    /** @var array<string, string> new id => old id */
    private array $pairs = [];

    /** @var array<string, true> old ids that are matched */
    private array $taken = [];

    /** @var list<array{list<string>, list<string>}> values of plain JSON that are where others stood */
    private array $valuesInPlace = [];

    /** @var array<string, string> id => hash of a part's content with all below it, without ids */
    private array $oldHashes;

    /** @var array<string, string> */
    private array $newHashes;

    /** @var array<string, array<string, int>> id => word => how often */
    private array $words = [];

    public function __construct(private readonly PartTree $old, private readonly PartTree $new, private int $budget)
    {
        $this->oldHashes = self::hashes($old);
        $this->newHashes = self::hashes($new);
    }

    /** @return array<string, string> */
    public function pairs(): array
    {
        $this->below(PartTree::ROOT, PartTree::ROOT);
        $this->equalAnywhere();
        $this->alikeAnywhere();
        $this->byPlace();

        return $this->pairs;
    }

    private function below(string $oldParent, string $newParent): void
    {
        $open = [[$oldParent, $newParent]];
        while ($open !== []) {
            [$oldParent, $newParent] = array_pop($open);
            array_push($open, ...$this->byKey($oldParent, $newParent));
            $old = array_values(array_filter($this->old->children()[$oldParent] ?? [], fn (string $id) => ! isset($this->taken[$id])));
            $new = array_values(array_filter($this->new->children()[$newParent] ?? [], fn (string $id) => ! isset($this->pairs[$id])));
            $alignment = Sequences::align(
                array_map(fn (string $id) => $this->oldHashes[$id], $old),
                array_map(fn (string $id) => $this->newHashes[$id], $new),
            );
            $this->exact = $this->exact && $alignment->exact;
            foreach ($alignment->pairs() as $from => $to) {
                $this->whole($old[$from], $new[$to]);
            }
            foreach ($alignment->gaps() as [$oldFrom, $oldTo, $newFrom, $newTo]) {
                array_push(
                    $open,
                    ...$this->gap(array_slice($old, $oldFrom, $oldTo - $oldFrom), array_slice($new, $newFrom, $newTo - $newFrom)),
                );
            }
        }
    }

    /**
     * The fields of an object go by their key.
     *
     * @return list<array{string, string}> the pairs
     */
    private function byKey(string $oldParent, string $newParent): array
    {
        $keys = $pairs = [];
        foreach ($this->old->children()[$oldParent] ?? [] as $id) {
            $key = $this->old->get($id)->string('key');
            if ($key !== '' && ! isset($this->taken[$id])) {
                $keys['.'.$key] = $id;
            }
        }
        foreach ($keys === [] ? [] : $this->new->children()[$newParent] ?? [] as $id) {
            $old = $keys['.'.$this->new->get($id)->string('key')] ?? null;
            if ($old !== null && ! isset($this->pairs[$id]) && ! isset($this->taken[$old])) {
                $this->pair($old, $id);
                $pairs[] = [$old, $id];
            }
        }

        return $pairs;
    }

    /** Two equal subtrees: their parts go together one by one. */
    private function whole(string $old, string $new): void
    {
        $parts = $this->new->subtree($new);
        foreach ($this->old->subtree($old) as $at => $part) {
            if (! isset($this->pairs[$parts[$at]->id]) && ! isset($this->taken[$part->id])) {
                $this->pair($part->id, $parts[$at]->id);
            }
        }
    }

    private function pair(string $old, string $new): void
    {
        $this->pairs[$new] = $old;
        $this->taken[$old] = true;
    }

    /**
     * @param  list<string>  $old
     * @param  list<string>  $new
     * @return list<array{string, string}> the pairs
     */
    private function gap(array $old, array $new): array
    {
        // The cells of a row go by their place.
        if (count($old) === count($new) && $this->roles($this->old, $old) === ['cell'] && $this->roles($this->new, $new) === ['cell']) {
            array_map($this->pair(...), $old, $new);

            return [];
        }
        // So does a list or an object that stands alone.
        $roles = [...$this->roles($this->old, $old), ...$this->roles($this->new, $new)];
        if (count($old) === 1 && count($new) === 1 && ($roles === ['list', 'list'] || $roles === ['object', 'object'])) {
            $this->pair($old[0], $new[0]);

            return [[$old[0], $new[0]]];
        }
        if (in_array('value', $roles, true)) {
            $this->valuesInPlace[] = [$this->values($this->old, $old), $this->values($this->new, $new)];
        }
        if (count($old) * count($new) > self::MOST_PAIRS) {
            return [];
        }
        $scores = [];
        foreach ($new as $newAt => $newId) {
            foreach ($old as $oldAt => $oldId) {
                if ($this->budget < 0) {
                    $this->exact = false;
                    break 2;
                }
                $likeness = $this->likeness($oldId, $newId);
                if ($likeness >= self::LIKENESS) {
                    $scores[] = [$likeness, -abs($newAt - $oldAt), $newId, $oldId];
                }
            }
        }

        return $this->best($scores);
    }

    /** Values of a list that found no partner go by their place, where they are as many as before. */
    private function byPlace(): void
    {
        foreach ($this->valuesInPlace as [$old, $new]) {
            $old = array_values(array_filter($old, fn (string $id) => ! isset($this->taken[$id])));
            $new = array_values(array_filter($new, fn (string $id) => ! isset($this->pairs[$id])));
            if (count($old) === count($new)) {
                array_map($this->pair(...), $old, $new);
            }
        }
    }

    /**
     * @param  list<string>  $ids
     * @return list<string>
     */
    private function values(PartTree $tree, array $ids): array
    {
        return array_values(array_filter($ids, fn (string $id) => $tree->get($id)->role === 'value'));
    }

    /**
     * @param  list<string>  $ids
     * @return list<string>
     */
    private function roles(PartTree $tree, array $ids): array
    {
        return array_values(array_unique(array_map(fn (string $id) => $tree->get($id)->role, $ids)));
    }

    /**
     * @param  list<array{float, int, string, string}>  $scores  likeness, nearness, new and old id
     * @return list<array{string, string}>
     */
    private function best(array $scores): array
    {
        rsort($scores);
        $pairs = [];
        foreach ($scores as [, , $new, $old]) {
            if (! isset($this->pairs[$new]) && ! isset($this->taken[$old])) {
                $this->pair($old, $new);
                $pairs[] = [$old, $new];
            }
        }

        return $pairs;
    }

    private function equalAnywhere(): void
    {
        $waiting = [];
        foreach ($this->old->parts as $part) {
            if (! isset($this->taken[$part->id]) && $this->wordsOf($this->old, $part->id) !== []) {
                $waiting[$this->oldHashes[$part->id]][] = $part->id;
            }
        }
        foreach ($this->new->parts as $part) {
            $found = $waiting[$this->newHashes[$part->id]] ?? [];
            while (! isset($this->pairs[$part->id]) && $found !== []) {
                $old = array_shift($found);
                if (! isset($this->taken[$old])) {
                    $this->whole($old, $part->id);
                }
            }
        }
    }

    private function alikeAnywhere(): void
    {
        $index = [];
        foreach ($this->old->parts as $part) {
            foreach (isset($this->taken[$part->id]) ? [] : $this->wordsOf($this->old, $part->id) as $word => $unused) {
                $index[$part->role.' '.$word][] = $part->id;
            }
        }
        $scores = [];
        foreach ($this->new->parts as $part) {
            if (isset($this->pairs[$part->id])) {
                continue;
            }
            $candidates = $this->candidates($part, $index);
            foreach ($candidates as $old => $unused) {
                if ($this->budget < 0) {
                    $this->exact = false;
                    break 2;
                }
                $likeness = $this->likeness($old, $part->id);
                if ($likeness >= self::LIKENESS) {
                    $scores[] = [
                        $likeness,
                        -abs((int) $this->new->position($part->id) - (int) $this->old->position($old)),
                        $part->id,
                        $old,
                    ];
                }
            }
        }
        foreach ($this->best($scores) as [$old, $new]) {
            $this->below($old, $new);
        }
    }

    /**
     * @param  array<string, list<string>>  $index  role and word => old parts
     * @return array<string, int> old parts that share a part's rarest words, with how many of them
     */
    private function candidates(Part $part, array $index): array
    {
        $clues = [];
        foreach ($this->wordsOf($this->new, $part->id) as $word => $unused) {
            $found = $index[$part->role.' '.$word] ?? [];
            if ($found !== [] && count($found) <= self::RARE) {
                $clues[$word] = count($found);
            }
        }
        asort($clues);
        $candidates = [];
        foreach (array_slice($clues, 0, self::CLUES, true) as $word => $count) {
            $this->budget -= $count;
            foreach ($index[$part->role.' '.$word] as $old) {
                $candidates[$old] = ($candidates[$old] ?? 0) + 1;
            }
        }
        arsort($candidates);

        return array_slice($candidates, 0, self::CANDIDATES, true);
    }

    /** How much of their words two parts share (Dice): 0 to 1; 0 for different roles. Takes as many steps as there are words. */
    private function likeness(string $old, string $new): float
    {
        if ($this->old->get($old)->role !== $this->new->get($new)->role) {
            return 0.0;
        }
        $one = $this->wordsOf($this->old, $old);
        $two = $this->wordsOf($this->new, $new);
        $this->budget -= 1 + count($one);
        $shared = 0;
        foreach (array_intersect_key($one, $two) as $word => $count) {
            $shared += min($count, $two[$word]);
        }
        $all = array_sum($one) + array_sum($two);

        return $all === 0 ? 0.0 : 2 * $shared / $all;
    }

    /** @return array<string, int> */
    private function wordsOf(PartTree $tree, string $id): array
    {
        $key = ($tree === $this->old ? 'o' : 'n').$id;

        return $this->words[$key] ??= self::count($tree->subtree($id));
    }

    /**
     * @param  list<Part>  $parts
     * @return array<string, int>
     */
    private static function count(array $parts): array
    {
        $counts = [];
        $left = self::MOST_WORDS;
        foreach ($parts as $part) {
            foreach ($part->fields as $value) {
                $text = match (true) {
                    $value instanceof RichText => $value->text(),
                    is_string($value) => $value,
                    is_array($value) => implode(' ', array_map(strval(...), $value)),
                    default => '',
                };
                $words = preg_split('/[^\p{L}\p{N}]+/u', mb_scrub(substr($text, 0, 20_000)), -1, PREG_SPLIT_NO_EMPTY) ?: [];
                foreach (array_slice($words, 0, $left) as $word) {
                    $counts['w'.$word] = ($counts['w'.$word] ?? 0) + 1;
                }
                $left -= count($words);
                if ($left <= 0) {
                    return $counts;
                }
            }
        }

        return $counts;
    }

    /** @return array<string, string> */
    private static function hashes(PartTree $tree): array
    {
        $hashes = $below = [];
        foreach (array_reverse($tree->parts) as $part) {
            $own = CanonicalJson::encode([
                $part->role,
                array_map(fn (mixed $value) => $value instanceof RichText ? $value->toJson() : $value, $part->fields),
            ]);
            $hashes[$part->id] = hash('xxh128', $own.implode('', array_reverse($below[$part->id] ?? [])));
            $below[$tree->parent($part->id)][] = $hashes[$part->id];
        }

        return $hashes;
    }
}

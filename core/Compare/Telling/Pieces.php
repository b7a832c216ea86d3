<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Telling;

use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Texts\Carried;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kind;

/** Paragraphs that were split and joined: what came or went with its words taken from, or left in, one that stays. */
final class Pieces
{
    /**
     * A part of whose words so many were taken from another is a piece of that; where they are joined without a space, two words become
     * one.
     */
    private const PIECE = 0.5;

    /** @var array<string, string> part that was split off or joined => the one that it was a piece of, or became one of */
    private array $rests = [];

    /** @var array<string, array{int, int}> part => words that came from elsewhere and that went there */
    private array $carried = [];

    /** @var array<string, Change> what came or went with words of its own, and nothing below it */
    private array $whole = [];

    /** @param list<Change> $changes */
    public function __construct(
        private readonly Kind $kind,
        private readonly PartTree $old,
        private readonly PartTree $new,
        array $changes,
        private readonly Words $words,
    ) {
        foreach ($changes as $change) {
            $side = $change->type === ChangeType::Removed ? $old : $new;
            if (
                ($change->type === ChangeType::Added || $change->type === ChangeType::Removed)
                && ! $change->part()->richText()->isEmpty()
                && ($side->children()[$change->id] ?? []) === []
            ) {
                $this->whole[$change->id] = $change;
            }
        }
        foreach ($this->whole === [] ? [] : $this->shared($changes) as $piece => $rests) {
            arsort($rests);
            if (reset($rests) >= self::PIECE * $words->count($this->whole[$piece]->part()->richText())) {
                $this->rests[(string) $piece] = (string) key($rests);
            }
        }
    }

    /** Whether a part was split off or joined. */
    public function has(string $part): bool
    {
        return isset($this->rests[$part]);
    }

    /** Whether something was split off a part, or joined to it. */
    public function isRest(string $part): bool
    {
        return in_array($part, $this->rests, true);
    }

    /** @return array{int, int} words of a part that came from elsewhere and that went there */
    public function carried(string $part): array
    {
        return $this->carried[$part];
    }

    /** Whether nothing but spaces came or went by splitting and joining a part: the pieces make the whole. */
    public function isWhole(string $id): bool
    {
        $texts = [];
        foreach ([$this->old, $this->new] as $side) {
            $pieces = array_filter($side->parts, fn (Part $part) => $part->id === $id || ($this->rests[$part->id] ?? null) === $id);
            $texts[] = preg_replace('/\s+/u', '', implode('', array_map(fn (Part $part) => $part->richText()->text(), $pieces)));
        }

        return $texts[0] === $texts[1];
    }

    /**
     * @param  \Closure(PartTree, Part): array{place?: string}  $place
     * @return list<Statement>
     */
    public function statements(\Closure $place): array
    {
        $statements = [];
        foreach ($this->rests as $piece => $rest) {
            $split = $this->whole[$piece]->type === ChangeType::Added;
            $side = $split ? $this->new : $this->old;
            $part = $side->get((string) $piece);
            // What came together is called by what it was joined to, not by what became of it.
            $name = $split || ! $this->old->has($rest) ? '' : $this->kind->label($this->old, $this->old->get($rest));
            $name = $name === '' ? $this->kind->label($this->new, $this->new->get($rest)) : $name;
            $values = [
                'noun' => $this->kind->noun($part),
                'form' => 'named',
                'name' => $this->kind->label($side, $part),
                'whole' => $name,
                'count' => 1,
                ...$place($side, $part),
            ];
            $statements[] = new Statement($split ? 'split' : 'joined', $this->whole[$piece]->type, $values, [(string) $piece], 0, 0, null, [
                "edited:{$rest}",
            ]);
        }

        return $statements;
    }

    /**
     * How many words what came or went has from, or left in, each part that stays.
     *
     * @param  list<Change>  $changes
     * @return array<string, non-empty-array<string, int>>
     */
    private function shared(array $changes): array
    {
        $shared = [];
        foreach (Carried::in(new ChangeSet($changes), $this->words) as $carried) {
            $after = $this->words->cut(($this->new->find($carried->part) ?? $this->old->get($carried->part))->richText()->text());
            $count = count(array_filter(array_slice($after, $carried->at, $carried->length), Words::counts(...)));
            $this->carried[$carried->part] = [($this->carried[$carried->part][0] ?? 0) + $count, $this->carried[$carried->part][1] ?? 0];
            $this->carried[$carried->from] = [$this->carried[$carried->from][0] ?? 0, ($this->carried[$carried->from][1] ?? 0) + $count];
            foreach ([[$carried->part, $carried->from], [$carried->from, $carried->part]] as [$piece, $rest]) {
                if (isset($this->whole[$piece]) && $this->old->has($rest) && $this->new->has($rest)) {
                    $shared[$piece][$rest] = ($shared[$piece][$rest] ?? 0) + $count;
                }
            }
        }

        return $shared;
    }
}

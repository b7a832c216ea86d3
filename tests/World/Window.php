<?php

declare(strict_types=1);

namespace Tests\World;

use App\Store\HandedRoots;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Edits;
use MistyAttic\Core\Merge\TreeMerge;

/**
 * A window in which somebody writes, as the scripts of the browser keep it: `base` is the state that it is on, `now` what is on the screen.
 */
final class Window
{
    public int $epoch = 1;

    /** @var array{PartTree, array<string, mixed>|null}|null what was sent and is not answered yet, and the answer that is under way */
    public ?array $sent = null;

    /** @var array<string, true> tags that the sent state has and no answer has said yes to */
    public array $unheard = [];

    /** @var array{string, array<string, mixed>}|null the stamp of the news that it heard last, and what it heard */
    public ?array $heard = null;

    /** When it was told of the state that it is on: seconds. */
    private int $since;

    /** When it was answered last, which it may hear later: seconds. */
    private int $answeredAt = 0;

    public function __construct(
        public readonly string $who,
        public readonly string $item,
        public readonly string $name,
        public string $base,
        public PartTree $known,
        public PartTree $now,
        public int $number,
    ) {
        $this->since = now()->getTimestamp();
    }

    /** Whether it was away for longer than a state is known that nobody else is on. */
    public function isForgotten(): bool
    {
        return $this->since < now()->subDays(HandedRoots::DAYS)->getTimestamp();
    }

    public function isDirty(): bool
    {
        return ! $this->now->equals($this->known);
    }

    public function client(): string
    {
        return "{$this->name}.{$this->epoch}";
    }

    /**
     * What a sending holds: all of a small item, of a table what became of the state that it is on.
     *
     * @return array<string, mixed>
     */
    public function sending(?string $row): array
    {
        $this->sent = [$this->now, null];
        $this->answeredAt = now()->getTimestamp();

        return ['base' => $this->base, 'from' => $this->number, 'client' => $this->client()]
            + ($row === null ? ['content' => self::wire($this->now)] : ['edits' => $this->edits($row)]);
    }

    /** @return array<string, mixed> */
    private function edits(string $row): array
    {
        $edits = Edits::between($this->known, $this->now, $row);
        // Of a column that went, its cells say nothing.
        $went = array_flip(is_array($edits['removed'] ?? null) ? $edits['removed'] : []);
        $cells = array_filter(
            array_map(fn (array $of): array => array_diff_key($of, $went), is_array($edits['cells'] ?? null) ? $edits['cells'] : []),
            fn (array $of): bool => $of !== [],
        );
        unset($edits['cells']);
        $edits += array_filter(['cells' => $cells]);
        $placed = array_filter(is_array($edits['placed'] ?? null) ? $edits['placed'] : [], is_array(...));
        if (
            array_diff(array_keys($edits), ['cells', 'placed']) === []
            && array_filter($placed, fn (array $place) => $place[1] !== $row || $place[3] === null) === []
        ) {
            $edits['at'] = array_combine(
                array_keys($cells),
                array_map(fn (int|string $id) => $this->known->position((string) $id), array_keys($cells)),
            );
            foreach ($placed as $place) {
                $edits['at'][(string) $place[0]] = $edits['at'][(string) $place[3]] ?? ($this->known->position((string) $place[3]) + 1);
            }
        }

        return $edits;
    }

    /** @param array<string, mixed> $answer */
    public function hear(array $answer, ?string $row): void
    {
        [$sent] = $this->sent ?? throw new \LogicException('Nothing was sent');
        $this->sent = null;
        $this->epoch++;
        $this->since = $this->answeredAt;
        $this->number = (int) $answer['number'];
        if ($row === null && $answer['content'] === null) {
            [$this->base, $this->known] = [$answer['root'], $sent];

            return;
        }
        $newest = $row === null ? self::read($answer['content']) : self::brought($sent, $answer['edits']);
        $carried = TreeMerge::of($sent, $newest, $this->now);
        if ($carried->conflicts === [] || $row !== null) {
            [$this->base, $this->known, $this->now] = [$answer['root'], $newest, $carried->tree];
        } else {
            // Something was written where the merge changed something: the server merges again, from what it was sent.
            [$this->base, $this->known] = [$answer['sent'], $sent];
        }
    }

    public function follow(string $root, int $number, PartTree $newest): void
    {
        [$this->base, $this->number, $this->known, $this->now, $this->since] = [$root, $number, $newest, $newest, now()->getTimestamp()];
    }

    /** @return list<mixed> */
    public static function wire(PartTree $tree): array
    {
        return array_map(fn (Part $part) => $part->toJson(), $tree->parts);
    }

    /** @param list<mixed> $content */
    public static function read(array $content): PartTree
    {
        return PartTree::of(array_map(Part::fromJson(...), $content));
    }

    /**
     * A table with what the server made of it, as the grid's script takes it in.
     *
     * @param  array<string, mixed>  $edits
     */
    public static function brought(PartTree $tree, array $edits): PartTree
    {
        $parts = $tree->byId();
        $children = $tree->children();
        $parents = $tree->parents();
        $leave = function (string $id) use (&$children, &$parents): void {
            if (isset($parents[$id])) {
                $children[$parents[$id]] = array_values(array_diff($children[$parents[$id]] ?? [], [$id]));
                unset($parents[$id]);
            }
        };
        foreach ($edits['removed'] ?? [] as $id) {
            $leave($id);
            foreach (($parts[$id] ?? null)?->role === 'column' ? array_keys($parts) : [] as $each) {
                $parts[$each] = $parts[$each]->without($id);
            }
            unset($parts[$id]);
        }
        foreach ($edits['placed'] ?? [] as $place) {
            [$id, $role, $parent, $after] = $place;
            $leave($id);
            $parts[$id] ??= Part::fromJson([$id, (string) $role, 0, $place[4] ?? []]);
            $siblings = $children[$parent] ?? [];
            array_splice($siblings, $after === null ? 0 : (int) array_search($after, $siblings, true) + 1, 0, [$id]);
            $children[$parent] = $siblings;
            $parents[$id] = $parent;
        }
        foreach (['cells', 'fields'] as $sort) {
            foreach ($edits[$sort] ?? [] as $id => $values) {
                foreach ($values as $name => $value) {
                    $parts[$id] = $value === null ? $parts[$id]->without($name) : $parts[$id]->with($name, $value);
                }
            }
        }

        return PartTree::grow($children, $parts);
    }
}

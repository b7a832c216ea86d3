<?php

declare(strict_types=1);

namespace Tests\Core;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Kinds\File\FileRole;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\PartRole;
use MistyAttic\Core\Kinds\SchemaKind;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Items of any kind and edits of them, made at random from a seed and the kind's own schema, for the property tests.
 *
 * @phpstan-import-type FieldValue from Part
 */
final class RandomContent
{
    private const VOCABULARY = [
        'bench',
        'socket',
        'the',
        'log',
        'a',
        'lead',
        'red',
        'bin',
        'and',
        'owner',
        'Überholung',
        'naïve',
        '修理',
        '🔧',
        'ring',
        'sand',
        'is',
        'taped',
        '1',
        '1.0',
        "e\u{301}",
        'שלום',
    ];

    private Randomizer $random;

    private int $ids = 0;

    /** @var class-string<PartRole> */
    private string $roles;

    public function __construct(public readonly int $seed, public readonly string $kind = 'document', private readonly string $prefix = 'p')
    {
        $this->random = new Randomizer(new Mt19937($seed));
        $known = Kinds::named($kind);
        assert($known instanceof SchemaKind);
        $this->roles = $known->roles();
    }

    /** Another source for the same kind, whose new parts have other ids. */
    public function other(int $offset, string $prefix): self
    {
        return new self($this->seed + $offset, $this->kind, $prefix);
    }

    public function under(int $bound): int
    {
        return $this->random->getInt(0, $bound - 1);
    }

    public function tree(int $size): PartTree
    {
        $tree = PartTree::of([]);
        for ($tries = 0; $tree->count() < $size && $tries < 5 * $size; $tries++) {
            $tree = $this->insert($tree);
        }

        return $tree;
    }

    /** A few edits of every sort. */
    public function edited(PartTree $tree, int $edits): PartTree
    {
        for (; $edits > 0; $edits--) {
            $tree = match ($this->under(6)) {
                0 => $this->insert($tree),
                1 => $this->remove($tree),
                2 => $this->move($tree),
                default => $this->rewrite($tree),
            };
        }

        return $tree;
    }

    public function rewrite(PartTree $tree): PartTree
    {
        if ($tree->parts === []) {
            return $tree;
        }
        $part = $tree->parts[$this->under($tree->count())];
        $schema = ($this->roles)::from($part->role)->fields();
        if ($schema === []) {
            return $tree;
        }
        $name = array_keys($schema)[$this->under(count($schema))];
        if ($name === PartRole::CELLS) {
            $columns = $this->columns($tree, $tree->parent($part->id));
            if ($columns === []) {
                return $tree;
            }
            $name = $columns[$this->under(count($columns))];
            $value = $this->under(4) === 0 ? null : $this->value('cell');
        } else {
            $before = $part->fields[$name] ?? null;
            $value = $before instanceof RichText && ! $before->isEmpty() && $this->under(3) > 0
                ? $this->reworded($before)
                : $this->value($schema[$name]);
            if (str_starts_with($schema[$name], 'plain') && $value instanceof RichText) {
                $value = RichText::plain($value->text());
            }
        }
        $new = $value === null ? $part->without($name) : $part->with($name, $value);

        return PartTree::of(array_map(fn (Part $each) => $each->id === $part->id ? $new : $each, $tree->parts));
    }

    /** The same content under other ids. */
    public function renamed(PartTree $tree, string $prefix): PartTree
    {
        $ids = [];
        foreach ($tree->parts as $at => $part) {
            $ids[$part->id] = $prefix.str_pad((string) $at, 5, '0', STR_PAD_LEFT);
        }

        return PartTree::of(array_map(function (Part $part) use ($ids): Part {
            $fields = [];
            foreach ($part->fields as $name => $value) {
                $fields[$ids[$name] ?? $name] = $value;
            }

            return new Part($ids[$part->id], $part->role, $part->depth, $fields);
        }, $tree->parts));
    }

    private function reworded(RichText $text): RichText
    {
        $words = preg_split('/(?<= )/u', $text->text(), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        array_splice($words, $this->under(count($words) + 1), $this->under(3), $this->under(2) === 0 ? [$this->word().' '] : []);

        return RichText::plain(implode('', $words));
    }

    public function text(): RichText
    {
        $runs = [];
        for ($i = $this->under(9); $i > 0; $i--) {
            $runs[] = new Run(
                $this->word().' ',
                $this->under(6) === 0
                    ? ['bold' => true]
                    : ($this->under(9) === 0
                        ? ['link' => 'https://example.org/'.$this->under(3)]
                        : []),
            );
        }

        return new RichText($runs);
    }

    private function insert(PartTree $tree): PartTree
    {
        $homes = [PartTree::ROOT, PartTree::ROOT, ...array_column(array_filter($tree->parts, fn (Part $part) => $part->depth < 6), 'id')];
        $home = $homes[$this->under(count($homes))];
        $role = $this->roleIn($home === PartTree::ROOT ? null : ($this->roles)::from($tree->get($home)->role));
        if ($role === null || ($role === FileRole::Bytes && $tree->parts !== [])) {
            return $tree;
        }
        $part = new Part($this->id(), (string) $role->value, 0, $this->fields($role, $this->columns($tree, $home)));
        $children = $tree->children();
        $siblings = $children[$home] ?? [];
        array_splice($siblings, $this->under(count($siblings) + 1), 0, [$part->id]);
        $children[$home] = $siblings;
        $parts = [...$tree->byId(), $part->id => $part];
        if ($role->value === 'table') {
            for ($row = 0; $row < 2; $row++) {
                $parts[$id = $this->id()] = new Part($id, 'row', 1, []);
                $children[$part->id][] = $id;
                for ($cell = 0; $cell < 2; $cell++) {
                    $parts[$inner = $this->id()] = new Part($inner, 'cell', 2, ['head' => $row === 0, 'text' => $this->text()]);
                    $children[$id][] = $inner;
                }
            }
        }

        return PartTree::grow($children, $parts);
    }

    private function remove(PartTree $tree): PartTree
    {
        if ($tree->parts === []) {
            return $tree;
        }
        $children = $tree->children();
        $id = $tree->parts[$this->under($tree->count())]->id;
        if ($tree->get($id)->role === FileRole::Bytes->value) {
            // A file is one.
            return $tree;
        }
        $parent = $tree->parent($id);
        $children[$parent] = array_values(array_diff($children[$parent], [$id]));
        if ($this->under(2) === 0 && $tree->get($id)->role === 'item') {
            // What stood below comes up in its place, as when the item above a nested list is deleted.
            array_push($children[$parent], ...($children[$id] ?? []));
        }

        return $this->withoutStrayCells(PartTree::grow($children, $tree->byId()));
    }

    private function move(PartTree $tree): PartTree
    {
        if ($tree->parts === []) {
            return $tree;
        }
        $children = $tree->children();
        $id = $tree->parts[$this->under($tree->count())]->id;
        $role = ($this->roles)::from($tree->get($id)->role);
        $below = array_column($tree->subtree($id), 'id');
        $homes = array_values(
            array_filter(
                [PartTree::ROOT, ...array_diff(array_column($tree->parts, 'id'), $below)],
                fn (string $home) => $role->mayStandIn($home === PartTree::ROOT ? null : $this->roles::from($tree->get($home)->role)),
            ),
        );
        $home = $homes[$this->under(count($homes))];
        $parent = $tree->parent($id);
        $children[$parent] = array_values(array_diff($children[$parent], [$id]));
        $siblings = $children[$home] ?? [];
        array_splice($siblings, $this->under(count($siblings) + 1), 0, [$id]);
        $children[$home] = $siblings;

        return $this->withoutStrayCells(PartTree::grow($children, $tree->byId()));
    }

    /** As an editor does: a cell goes with its column, and a row in another table has none of the old one's. */
    private function withoutStrayCells(PartTree $tree): PartTree
    {
        $grid = Kinds::named($this->kind)->grid();

        return $grid === null
            ? $tree
            : PartTree::of(
                array_map(
                    fn (Part $part) => $part->role !== $grid->row
                        ? $part
                        : new Part(
                            $part->id,
                            $part->role,
                            $part->depth,
                            array_intersect_key($part->fields, array_flip($this->columns($tree, $tree->parent($part->id)))),
                        ),
                    $tree->parts,
                ),
            );
    }

    /** @return list<string> ids of the columns below a part */
    private function columns(PartTree $tree, string $parent): array
    {
        $grid = Kinds::named($this->kind)->grid();

        return $grid === null
            ? []
            : array_values(array_filter($tree->children()[$parent] ?? [], fn (string $id) => $tree->get($id)->role === $grid->column));
    }

    private function roleIn(?PartRole $parent): ?PartRole
    {
        $fit = array_values(array_filter(($this->roles)::cases(), fn (PartRole $role) => $role->mayStandIn($parent)));

        return $fit === [] ? null : $fit[$this->under(count($fit))];
    }

    /**
     * @param  list<string>  $columns
     * @return array<string, FieldValue>
     */
    private function fields(PartRole $role, array $columns): array
    {
        $fields = [];
        foreach ($role->fields() as $name => $type) {
            foreach ($name === PartRole::CELLS ? $columns : [$name] as $field) {
                $value = $name === PartRole::CELLS && $this->under(4) === 0 ? null : $this->value($type);
                if ($value !== null) {
                    $fields[$field] = $value;
                }
            }
        }

        return $fields;
    }

    /** @return FieldValue|null */
    private function value(string $type): RichText|string|int|float|bool|array|null
    {
        if (str_ends_with($type, '?')) {
            return $this->under(3) === 0 ? null : $this->value(substr($type, 0, -1));
        }
        $bounds = explode(':', $type);

        return match ($bounds[0]) {
            'text' => $this->text(),
            'plain' => RichText::plain($this->text()->text()),
            'bool' => $this->under(2) === 0,
            'int' => $this->random->getInt((int) $bounds[1], min((int) $bounds[2], (int) $bounds[1] + 5)),
            'number' => $this->number(),
            'string' => $this->under(4) === 0 ? '' : trim(mb_substr($this->word().' '.$this->word(), 0, (int) $bounds[1])),
            'words' => explode('|', $bounds[1])[$this->under(substr_count($bounds[1], '|') + 1)],
            'hash' => str_repeat((string) $this->under(4), 40),
            'date' => $this->date(),
            'list' => array_map(fn () => $this->word(), range(1, 1 + $this->under(3))),
            'address' => '/'.rawurlencode($this->word()),
            'addresses' => array_map(fn () => '/'.rawurlencode($this->word()), range(1, 1 + $this->under(3))),
            'cell' => match ($this->under(9)) {
                0 => ['d', $this->date()],
                1 => ['!', '#DIV/0!'],
                2 => ['=', 'SUM(A1:A'.$this->under(5).')', $this->number()],
                3 => $this->under(2) === 0,
                4, 5 => $this->number(),
                default => $this->word(),
            },
            default => throw new \LogicException($type),
        };
    }

    private function number(): int|float
    {
        return $this->under(3) === 0 ? $this->under(1000) + 0.5 : $this->under(1000);
    }

    private function date(): string
    {
        return sprintf('2026-%02d-%02d', 1 + $this->under(12), 1 + $this->under(28));
    }

    private function word(): string
    {
        return self::VOCABULARY[$this->under(count(self::VOCABULARY))];
    }

    private function id(): string
    {
        return $this->prefix.str_pad((string) ++$this->ids, 4, '0', STR_PAD_LEFT);
    }
}

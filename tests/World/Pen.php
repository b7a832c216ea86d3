<?php

declare(strict_types=1);

namespace Tests\World;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Kinds\PartRole;
use MistyAttic\Core\Kinds\SchemaKind;

/**
 * Writes in an item of any kind as its editor would, by the kind's own schema. Every word that a person types has the person's
 * tag (`inesx3f`), every figure ends in their digit, and no two are alike.
 */
final class Pen
{
    public const TAG = '/\b(?:ines|tobi|nell|jun|rafi|visitor)x[0-9a-z]+y\b/';

    /** In the order of the digits in which their figures end. */
    public const PEOPLE = ['ines', 'tobi', 'nell', 'jun', 'rafi', 'visitor'];

    /** Fields that hold people's words, whatever they like. */
    private const WORDS = ['text', 'title', 'label', 'caption', 'alt', 'name', 'help', 'low', 'high', 'thanks'];

    /** @var class-string<PartRole> */
    private readonly string $roles;

    /**
     * @param  string  $who  whose words
     * @param  \Closure(): int  $count  a number that was not given before
     */
    public function __construct(
        private readonly Chance $chance,
        private readonly string $kind,
        private readonly string $who,
        private readonly \Closure $count,
    ) {
        $known = Kinds::named($kind);
        assert($known instanceof SchemaKind);
        $this->roles = $known->roles();
    }

    public function tag(): string
    {
        return "{$this->who}x".base_convert((string) ($this->count)(), 10, 36).'y';
    }

    /** A few edits that leave a valid state. */
    public function write(PartTree $tree): PartTree
    {
        for ($edits = 1 + $this->chance->under(3); $edits > 0; $edits--) {
            $edited = match ($this->chance->under(12)) {
                0 => $this->insert($tree),
                1 => $this->remove($tree),
                2 => $this->move($tree),
                3 => $this->split($tree),
                4 => $this->join($tree),
                5 => $this->sort($tree),
                default => $this->type($tree),
            };
            $sent = json_decode((string) json_encode(array_map(fn (Part $part) => $part->toJson(), $edited->parts)), true);
            if (Kinds::named($this->kind)->read($sent, Limits::for(Kinds::named($this->kind)))->tree !== null) {
                $tree = $edited;
            }
        }

        return $tree;
    }

    private function type(PartTree $tree): PartTree
    {
        $part = $tree->parts === [] ? null : $this->chance->of($tree->parts);
        if ($part === null) {
            return $this->insert($tree);
        }
        if (isset($this->schema($part)[PartRole::CELLS])) {
            return $this->cell($tree, $part);
        }
        $fields = array_keys(
            array_filter(
                $this->schema($part),
                fn (string $type, string $name) => preg_match('/^(text|plain|string:\d{3,})/', $type) === 1
                    && in_array($name, self::WORDS, true),
                ARRAY_FILTER_USE_BOTH,
            ),
        );
        if ($fields === []) {
            return $tree;
        }
        $field = $this->chance->of($fields);
        $value = $part->fields[$field] ?? '';
        $words = explode(' ', $value instanceof RichText ? $value->text() : (string) (is_scalar($value) ? $value : ''));
        $at = $this->chance->under(count($words) + 1);
        array_splice($words, $at, $this->chance->under(3) === 0 ? 1 + $this->chance->under(2) : 0, [
            $this->tag(),
            ...$this->chance->once(4) ? [$this->tag().'.'] : [],
        ]);
        $text = trim(implode(' ', array_slice($words, 0, 60)));

        return $this->with(
            $tree,
            $part->with(
                $field,
                $value instanceof RichText || str_starts_with($this->schema($part)[$field], 'text')
                    ? new RichText([
                        new Run($text, $this->chance->once(9) && $this->schema($part)[$field] === 'text' ? ['bold' => true] : []),
                    ])
                    : mb_substr($text, 0, 90),
            ),
        );
    }

    private function cell(PartTree $tree, Part $row): PartTree
    {
        $columns = $this->columns($tree, $tree->parent($row->id));
        if ($columns === []) {
            return $tree;
        }
        $column = $this->chance->of($columns);
        if ($this->isSum($row->fields[$column] ?? null)) {
            return $tree;
        }

        return $this->with($tree, $this->chance->once(8) ? $row->without($column) : $row->with($column, $this->value($column)));
    }

    /** The first columns hold figures, the last one texts. */
    private function value(string $column): string|int
    {
        return str_starts_with($column, 'ctxt') ? $this->tag() : 10 * ($this->count)() + (int) array_search($this->who, self::PEOPLE, true);
    }

    private function insert(PartTree $tree): PartTree
    {
        $parents = [PartTree::ROOT, ...array_column($tree->parts, 'id')];
        for ($tries = 0; $tries < 20; $tries++) {
            $parent = $this->chance->of($parents);
            $role = $this->chance->of(($this->roles)::cases());
            $above = $tree->find($parent);
            if (! $role->mayStandIn($above === null ? null : ($this->roles)::from($above->role)) || ! $this->mayGrow($role)) {
                continue;
            }
            $id = 'n'.$this->who[0].base_convert((string) ($this->count)(), 10, 36);
            $part = new Part(str_pad($id, 4, 'q'), (string) $role->value, 0, $this->fields($tree, $role, $parent));
            $children = $tree->children();
            $siblings = $children[$parent] ?? [];
            array_splice($siblings, $this->place($tree, $siblings, (string) $role->value), 0, [$part->id]);
            $children[$parent] = $siblings;

            return PartTree::grow($children, [...$tree->byId(), $part->id => $part]);
        }

        return $tree;
    }

    /**
     * Columns are before rows, and what a sum is under stays last.
     *
     * @param  list<string>  $siblings
     */
    private function place(PartTree $tree, array $siblings, string $role): int
    {
        $like = array_keys(array_filter($siblings, fn (string $id) => $tree->get($id)->role === $role));
        if (! in_array($this->kind, ['spreadsheet', 'dataset'], true) || $like === []) {
            return in_array($this->kind, ['spreadsheet', 'dataset'], true) ? count($siblings) : $this->chance->under(count($siblings) + 1);
        }

        return $like[0] + $this->chance->under(count($like));
    }

    private function mayGrow(PartRole $role): bool
    {
        return ! in_array(
            $role->value,
            ['settings', 'bytes', 'picture', 'tab', 'column', 'field', 'table', 'cell', 'skip_rule', 'figure'],
            true,
        )
            || ($role->value === 'column' && $this->kind === 'page');
    }

    /** @return array<string, mixed> */
    private function fields(PartTree $tree, PartRole $role, string $parent): array
    {
        $fields = [];
        foreach ($role->fields() as $name => $type) {
            if ($name === PartRole::CELLS) {
                foreach ($this->columns($tree, $parent) as $column) {
                    $this->chance->once(2) && $fields[$column] = $this->value($column);
                }
            } elseif (! str_ends_with($type, '?')) {
                $bounds = explode(':', $type);
                $fields[$name] = match ($bounds[0]) {
                    'text', 'plain' => RichText::plain($this->tag()),
                    'bool' => $this->chance->once(2),
                    'int' => (int) $bounds[1] + $this->chance->under(min(4, (int) $bounds[2] - (int) $bounds[1] + 1)),
                    'words' => $name === 'type'
                        ? $this->chance->of($this->kind === 'report' ? ['text'] : ['short', 'long', 'one', 'several'])
                        : $this->chance->of(explode('|', $bounds[1])),
                    'string' => $this->tag(),
                    'list', 'addresses', => [],
                    default => '',
                };
            }
        }

        return $fields;
    }

    private function remove(PartTree $tree): PartTree
    {
        $part = $this->some($tree);
        if ($part === null || count($tree->subtree($part->id)) > $tree->count() / 2) {
            return $tree;
        }
        $children = $tree->children();
        $children[$tree->parent($part->id)] = array_values(array_diff($children[$tree->parent($part->id)], [$part->id]));

        return PartTree::grow($children, $tree->byId());
    }

    private function move(PartTree $tree): PartTree
    {
        $part = $this->some($tree);
        if ($part === null) {
            return $tree;
        }
        $children = $tree->children();
        $from = $tree->parent($part->id);
        $below = array_column($tree->subtree($part->id), 'id');
        // A cell goes with its column, so a row stays in its tab.
        $likely = $this->kind === 'spreadsheet'
            ? [$from]
            : array_values(
                array_filter(
                    array_keys($children),
                    fn (int|string $id) => ! in_array((string) $id, $below, true) && $this->mayStand($tree, $part, (string) $id),
                ),
            );
        $to = $likely === [] ? $from : (string) $this->chance->of($likely);
        $children[$from] = array_values(array_diff($children[$from], [$part->id]));
        $siblings = $children[$to] ?? [];
        array_splice($siblings, $this->place($tree, $siblings, $part->role), 0, [$part->id]);
        $children[$to] = $siblings;

        return PartTree::grow($children, $tree->byId());
    }

    /** The first half keeps the id, the second gets a new one. */
    private function split(PartTree $tree): PartTree
    {
        $part = $this->textual($tree);
        $words = $part === null ? [] : explode(' ', $part->richText()->text());
        if ($part === null || count($words) < 2) {
            return $tree;
        }
        $at = 1 + $this->chance->under(count($words) - 1);
        $second = new Part(
            str_pad('n'.$this->who[0].base_convert((string) ($this->count)(), 10, 36), 4, 'q'),
            $part->role,
            $part->depth,
            [...$part->fields, 'text' => RichText::plain(implode(' ', array_slice($words, $at)))],
        );
        $children = $tree->children();
        $siblings = $children[$tree->parent($part->id)];
        array_splice($siblings, (int) array_search($part->id, $siblings, true) + 1, 0, [$second->id]);
        $children[$tree->parent($part->id)] = $siblings;

        return PartTree::grow($children, [
            ...$tree->byId(),
            $second->id => $second,
            $part->id => $part->with('text', RichText::plain(implode(' ', array_slice($words, 0, $at)))),
        ]);
    }

    /** The one before takes the words of this one. */
    private function join(PartTree $tree): PartTree
    {
        $part = $this->textual($tree);
        $before = $part === null ? null : $tree->find($tree->previousSibling($part->id) ?? '');
        if ($part === null || $before === null || ! isset($before->fields['text']) || count($tree->subtree($part->id)) > 1) {
            return $tree;
        }
        $children = $tree->children();
        $children[$tree->parent($part->id)] = array_values(array_diff($children[$tree->parent($part->id)], [$part->id]));

        return PartTree::grow($children, [
            ...$tree->byId(),
            $before->id => $before->with('text', RichText::plain(trim($before->richText()->text().' '.$part->richText()->text()))),
        ]);
    }

    /** All rows of a tab but the sum, by their first figure. */
    private function sort(PartTree $tree): PartTree
    {
        $tabs = array_values(array_filter($tree->parts, fn (Part $part) => $part->role === 'tab'));
        if ($this->kind !== 'spreadsheet' || $tabs === []) {
            return $tree;
        }
        $tab = $this->chance->of($tabs)->id;
        $children = $tree->children();
        if (! isset($children[$tab])) {
            return $tree;
        }
        $column = $this->columns($tree, $tab)[0] ?? '';
        $rows = array_values(
            array_filter(
                $children[$tab],
                fn (string $id) => $tree->get($id)->role === 'row' && ! $this->isSum($tree->get($id)->fields[$column] ?? null),
            ),
        );
        usort(
            $rows,
            fn (string $one, string $two) => [$tree->get($one)->fields[$column] ?? 0, $one] <=> [
                $tree->get($two)->fields[$column] ?? 0,
                $two,
            ],
        );
        $children[$tab] = [
            ...array_values(array_filter($children[$tab], fn (string $id) => $tree->get($id)->role === 'column')),
            ...$rows,
            ...array_values(
                array_filter($children[$tab], fn (string $id) => $tree->get($id)->role === 'row' && ! in_array($id, $rows, true)),
            ),
        ];

        return PartTree::grow($children, $tree->byId());
    }

    private function textual(PartTree $tree): ?Part
    {
        $parts = array_values(
            array_filter(
                $tree->parts,
                fn (Part $part) => isset($part->fields['text']) && ! in_array($part->role, ['settings', 'cell'], true),
            ),
        );

        return $parts === [] ? null : $this->chance->of($parts);
    }

    /** A part that may go and move. */
    private function some(PartTree $tree): ?Part
    {
        $parts = array_values(
            array_filter(
                $tree->parts,
                fn (Part $part) => ! in_array($part->role, ['settings', 'bytes', 'tab', 'cell', 'field'], true)
                    && ! ($part->role === 'column' && $this->kind === 'spreadsheet')
                    && array_filter($part->fields, $this->isSum(...)) === [],
            ),
        );

        return $parts === [] ? null : $this->chance->of($parts);
    }

    private function isSum(mixed $value): bool
    {
        return is_array($value) && ($value[0] ?? null) === '=';
    }

    private function mayStand(PartTree $tree, Part $part, string $parent): bool
    {
        $above = $tree->find($parent);

        return ($this->roles)::from($part->role)->mayStandIn($above === null ? null : ($this->roles)::from($above->role));
    }

    /** @return array<string, string> */
    private function schema(Part $part): array
    {
        return ($this->roles)::from($part->role)->fields();
    }

    /** @return list<string> */
    private function columns(PartTree $tree, string $tab): array
    {
        return array_values(
            array_filter($tree->children()[$tab] ?? [], fn (string $id) => in_array($tree->get($id)->role, ['column', 'field'], true)),
        );
    }

    private function with(PartTree $tree, Part $part): PartTree
    {
        return PartTree::of(array_map(fn (Part $each) => $each->id === $part->id ? $part : $each, $tree->parts));
    }
}

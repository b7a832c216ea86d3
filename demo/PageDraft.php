<?php

declare(strict_types=1);

namespace Demo;

use App\Models\Picture;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;

/** Carries a story's edits out on a page. Ids are counted, so that they are the same every time. */
final class PageDraft implements Drafting
{
    private int $count = 0;

    /** @param \Closure(string): Picture $keep keeps a picture of demo/pictures for the item */
    public function __construct(private readonly string $name, private readonly \Closure $keep) {}

    public function edit(PartTree $tree, string $line): PartTree
    {
        foreach (explode(' && ', $line) as $edit) {
            [$word, $rest] = [...explode(' ', $edit, 2), ''];
            $tree = match ($word) {
                'section' => $this->section($tree, $rest),
                'in' => $this->in($tree, ...Prose::two($rest, ': ')),
                'put' => $this->put($tree, ...Prose::two($rest, ' | after ')),
                'change' => $this->change($tree, ...Prose::two($rest, ' => ')),
                'set' => $this->set($tree, ...Prose::two($rest, ' = ')),
                'columns' => $this->columns($tree, ...Prose::two($rest, ': ')),
                'remove' => PartTree::of(
                    array_values(
                        array_filter($tree->parts, fn (Part $part) => ! in_array($part, $tree->subtree($this->find($tree, $rest)->id), true)),
                    ),
                ),
                'move' => $this->move($tree, ...Prose::two($rest, ' | ')),
                default => throw new \DomainException("no story can “{$word}” on a page"),
            };
        }

        return $tree;
    }

    /** `TITLE | background | 8 4` */
    private function section(PartTree $tree, string $text): PartTree
    {
        [$title, $background, $widths] = explode(' | ', $text);
        $parts = [$this->part('section', 0, ['title' => $title, 'background' => $background])];
        foreach (explode(' ', $widths) as $width) {
            $parts[] = $this->part('column', 1, ['width' => (int) $width]);
        }

        return PartTree::of([...($tree->count() === 2 ? [] : $tree->parts), ...$parts]);
    }

    private function in(PartTree $tree, string $place, string $block): PartTree
    {
        return $this->into($tree, $this->column($tree, $place), $this->block($block), null);
    }

    private function put(PartTree $tree, string $block, string $after): PartTree
    {
        $target = $this->find($tree, $after);

        return $this->into($tree, $tree->parent($target->id), $this->block($block), $target->id);
    }

    /**
     * To the end of a column (`SECTION 2`), its top (`SECTION 2 top`), behind a section (`after section TITLE`) or behind a block (`after
     * PHRASE`).
     */
    private function move(PartTree $tree, string $phrase, string $place): PartTree
    {
        $part = $this->find($tree, $phrase);
        if (str_starts_with($place, 'after ')) {
            $target = $this->find($tree, substr($place, 6));

            return $this->into($tree, $tree->parent($target->id), $part, $target->id);
        }
        $top = str_ends_with($place, ' top');

        return $this->into($tree, $this->column($tree, $top ? substr($place, 0, -4) : $place), $part, $top ? '' : null);
    }

    /** @param string|null $after the id of a neighbour, '' for the top, null for the end */
    private function into(PartTree $tree, string $parent, Part $part, ?string $after): PartTree
    {
        $children = array_map(fn (array $ids) => array_values(array_diff($ids, [$part->id])), $tree->children());
        $at = match ($after) {
            null => count($children[$parent] ?? []),
            '' => 0,
            default => (int) array_search($after, $children[$parent] ?? [], true) + 1,
        };
        $children[$parent] ??= [];
        array_splice($children[$parent], $at, 0, [$part->id]);

        return PartTree::grow($children, [...$tree->byId(), $part->id => $part]);
    }

    private function change(PartTree $tree, string $old, string $new): PartTree
    {
        $part = $this->find($tree, $old);

        return $this->replace($tree, new Part($part->id, $part->role, $part->depth, array_map(fn (mixed $value) => match (true) {
            $value instanceof RichText => Prose::replaced($value, $old, $new),
            is_string($value) => str_replace($old, $new, $value),
            is_array($value) => array_map(fn (mixed $line) => is_string($line) ? str_replace($old, $new, $line) : $line, $value),
            default => $value,
        }, $part->fields)));
    }

    /** `PHRASE: FIELD = VALUE` */
    private function set(PartTree $tree, string $which, string $value): PartTree
    {
        [$phrase, $field] = Prose::two($which, ': ');
        $part = $this->find($tree, $phrase);
        if ($field === 'picture') {
            return $this->replace($tree, $this->block("picture {$value} | {$part->string('alt')} | {$part->string('caption')}", $part->id));
        }

        return $this->replace($tree, $part->with($field, is_int($part->fields[$field] ?? null) ? (int) $value : $value));
    }

    /** `SECTION: 6 6`; a column that is gone leaves its blocks to the one before it. */
    private function columns(PartTree $tree, string $section, string $widths): PartTree
    {
        $id = $this->find($tree, $section, 'section')->id;
        $children = $tree->children();
        $parts = $tree->byId();
        $kept = [];
        foreach (explode(' ', $widths) as $at => $width) {
            $kept[] = $column = $children[$id][$at] ?? $this->part('column', 1, [])->id;
            $parts[$column] = new Part($column, 'column', 1, ['width' => (int) $width]);
        }
        foreach (array_slice($children[$id], count($kept)) as $gone) {
            $last = $kept[count($kept) - 1];
            $children[$last] = [...($children[$last] ?? []), ...($children[$gone] ?? [])];
            unset($children[$gone], $parts[$gone]);
        }
        $children[$id] = $kept;

        return PartTree::grow($children, $parts);
    }

    private function block(string $text, ?string $id = null): Part
    {
        if (
            preg_match(
                '/^(#{1,4} |- |\d\. |---$|!(?:note|good|warning) |(?:picture|button|links|hours|contact|form) )?(.*)$/u',
                $text,
                $found,
            ) !== 1
        ) {
            throw new \DomainException('a block is one line of text');
        }
        [$sign, $rest] = [trim($found[1]), $found[2]];
        [$role, $fields] = match (true) {
            $sign === '' => ['rich_text', ['style' => 'plain', 'text' => Prose::rich($rest)]],
            $sign[0] === '#' => ['heading', ['level' => strlen($sign), 'text' => Prose::rich($rest)]],
            $sign === '---' => ['divider', []],
            $sign[0] === '!' => ['call_out', ['tone' => substr($sign, 1), 'text' => Prose::rich($rest)]],
            $sign === 'picture' => ['picture', $this->picture($rest)],
            $sign === 'button' => ['button', array_combine(['label', 'target'], Prose::two($rest, ' -> '))],
            $sign === 'form' => ['figure', array_combine(['label', 'source'], Prose::two($rest, ' -> '))],
            $sign === 'links' => ['links', $this->pairs($rest, ' -> ', 'labels', 'targets')],
            $sign === 'hours' => ['hours', $this->pairs($rest, ' = ', 'days', 'times')],
            $sign === 'contact' => [
                'contact',
                ['name' => Prose::two($rest, ': ')[0], 'lines' => explode(' / ', Prose::two($rest, ': ')[1])],
            ],
            default => ['rich_text', ['style' => $sign === '-' ? 'bullet' : 'number', 'text' => Prose::rich($rest)]],
        };

        return $id === null ? $this->part($role, 2, $fields) : new Part($id, $role, 2, $fields);
    }

    /** @return array<string, string|int> */
    private function picture(string $text): array
    {
        [$name, $alt, $caption] = [...explode(' | ', rtrim($text, ' |')), '', ''];
        $picture = ($this->keep)(__DIR__."/pictures/{$name}.png");

        return ['chunk' => $picture->chunk, 'alt' => $alt, 'caption' => $caption, 'width' => $picture->width, 'height' => $picture->height];
    }

    /**
     * @param  non-empty-string  $sign
     * @return array<string, string|list<string>>
     */
    private function pairs(string $text, string $sign, string $first, string $second): array
    {
        [$title, $rest] = Prose::two($text, ': ');
        $pairs = array_map(fn (string $pair) => Prose::two($pair, $sign), explode(' / ', $rest));

        return ['title' => $title, $first => array_column($pairs, 0), $second => array_column($pairs, 1)];
    }

    /** The first part that says so in any of its fields. */
    private function find(PartTree $tree, string $phrase, ?string $role = null): Part
    {
        if (str_starts_with($phrase, 'section ')) {
            return $this->find($tree, substr($phrase, 8), 'section');
        }
        foreach ($tree->parts as $part) {
            foreach ($part->fields as $value) {
                $text = $value instanceof RichText
                    ? $value->text()
                    : (is_array($value)
                        ? implode("\n", array_filter($value, is_string(...)))
                        : (string) $value);
                if (
                    ($role ?? $part->role) === $part->role
                    && str_contains($text, $phrase)
                    && ($role !== null || $part->role !== 'section')
                ) {
                    return $part;
                }
            }
        }

        throw new \DomainException("nowhere does it say “{$phrase}”");
    }

    /** `SECTION 2` */
    private function column(PartTree $tree, string $place): string
    {
        if (preg_match('/^(.+) (\d)$/', $place, $found) !== 1) {
            throw new \DomainException("“{$place}” is no column of a section");
        }
        $section = $this->find($tree, $found[1], 'section');

        return $tree->children()[$section->id][(int) $found[2] - 1]
            ?? throw new \DomainException("“{$found[1]}” has no column {$found[2]}");
    }

    private function replace(PartTree $tree, Part $part): PartTree
    {
        return PartTree::of(array_map(fn (Part $each) => $each->id === $part->id ? $part : $each, $tree->parts));
    }

    /**
     * @param  int<0, max>  $depth
     * @param  array<string, RichText|string|int|list<string>>  $fields
     */
    private function part(string $role, int $depth, array $fields): Part
    {
        return new Part('b'.substr(hash('sha256', $this->name.'/'.++$this->count), 0, 9), $role, $depth, $fields);
    }
}

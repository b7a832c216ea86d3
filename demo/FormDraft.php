<?php

declare(strict_types=1);

namespace Demo;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;

/** Carries a story's edits out on a form. Ids are counted, so that they are the same every time. */
final class FormDraft implements Drafting
{
    private int $count = 0;

    public function __construct(private readonly string $name) {}

    public function edit(PartTree $tree, string $line): PartTree
    {
        foreach (explode(' && ', $line) as $edit) {
            [$word, $rest] = [...explode(' ', $edit, 2), ''];
            $tree = match ($word) {
                'page' => $this->page($tree, $rest),
                'question' => $this->question($tree, $rest),
                'choice' => $this->below($tree, $rest, 'choice'),
                'row' => $this->below($tree, $rest, 'grid_line'),
                'rule' => $this->rule($tree, $rest),
                'set' => $this->set($tree, ...Prose::two($rest, ' = ')),
                'change' => $this->change($tree, ...Prose::two($rest, ' => ')),
                'remove' => $this->without($tree, $rest),
                default => throw new \DomainException("no story can “{$word}” in a form"),
            };
        }

        return $tree;
    }

    /** The first page takes the title of an empty one. */
    private function page(PartTree $tree, string $title): PartTree
    {
        $last = $tree->parts[$tree->count() - 1];

        return $last->role === 'page' && $last->string('title') === ''
            ? $this->replace($tree, $last->with('title', $title))
            : PartTree::of([...$tree->parts, $this->part('page', 0, ['title' => $title])]);
    }

    /** `TYPE TEXT`, with `!` behind the type when it has to be answered; choices behind a colon, parted by ` / `. */
    private function question(PartTree $tree, string $text): PartTree
    {
        if (preg_match('/^(\w+)(!?) (.+?)(?:: (.+))?$/u', $text, $found) !== 1) {
            throw new \DomainException('a question has a type and words');
        }
        $parts = [$this->part('question', 1, ['type' => $found[1], 'text' => Prose::rich($found[3]), 'required' => $found[2] === '!'])];
        foreach (isset($found[4]) ? explode(' / ', $found[4]) : [] as $label) {
            $parts[] = $this->part('choice', 2, ['label' => rtrim($label, '…'), 'other' => str_ends_with($label, '…')]);
        }

        return PartTree::of([...$tree->parts, ...$parts]);
    }

    private function below(PartTree $tree, string $text, string $role): PartTree
    {
        [$phrase, $label] = Prose::two($text, ': ');
        $question = $this->find($tree, $phrase);
        $at = (int) $tree->position($question->id) + count($tree->subtree($question->id));

        return PartTree::of([
            ...array_slice($tree->parts, 0, $at),
            $this->part($role, 2, $role === 'choice' ? ['label' => $label, 'other' => false] : ['label' => $label]),
            ...array_slice($tree->parts, $at),
        ]);
    }

    /** `PHRASE: is Clothes -> go What do you…` */
    private function rule(PartTree $tree, string $text): PartTree
    {
        [$phrase, $rest] = Prose::two($text, ': ');
        [$condition, $then] = Prose::two($rest, ' -> ');
        [$when, $value] = [...explode(' ', $condition, 2), ''];
        [$action, $target] = [...explode(' ', $then, 2), ''];
        $question = $this->find($tree, $phrase);
        foreach ($tree->subtree($question->id) as $part) {
            $value = $part->role === 'choice' && $part->string('label') === $value ? $part->id : $value;
        }
        $fields = ['when' => $when, 'value' => $value, 'action' => $action]
        + ($target === '' ? [] : ['target' => $this->find($tree, $target)->id]);
        $at = (int) $tree->position($question->id) + count($tree->subtree($question->id));

        return PartTree::of([
            ...array_slice($tree->parts, 0, $at),
            $this->part('skip_rule', 2, $fields),
            ...array_slice($tree->parts, $at),
        ]);
    }

    /** `PHRASE: FIELD = VALUE`; `settings` stands for the settings of the form. */
    private function set(PartTree $tree, string $which, string $value): PartTree
    {
        [$phrase, $field] = Prose::two($which, ': ');
        $part = $this->find($tree, $phrase);

        return $this->replace($tree, $part->with($field, match (true) {
            $field === 'thanks' => RichText::plain($value),
            in_array($value, ['yes', 'no'], true) => $value === 'yes',
            is_numeric($value) => (int) $value,
            default => $value,
        }));
    }

    private function change(PartTree $tree, string $old, string $new): PartTree
    {
        $part = $this->find($tree, $old);

        return $this->replace(
            $tree,
            new Part(
                $part->id,
                $part->role,
                $part->depth,
                array_map(
                    fn (mixed $value) => $value instanceof RichText
                        ? Prose::replaced($value, $old, $new)
                        : (is_string($value)
                            ? str_replace($old, $new, $value)
                            : $value),
                    $part->fields,
                ),
            ),
        );
    }

    private function without(PartTree $tree, string $phrase): PartTree
    {
        $gone = array_column($tree->subtree($this->find($tree, $phrase)->id), 'id');

        return PartTree::of(array_values(array_filter($tree->parts, fn (Part $part) => ! in_array($part->id, $gone, true))));
    }

    private function find(PartTree $tree, string $phrase): Part
    {
        foreach ($tree->parts as $part) {
            if (
                ($phrase === 'settings' && $part->role === 'settings')
                || str_contains($part->richText()->text(), $phrase)
                || str_contains($part->string('label').$part->string('title').$part->string('help'), $phrase)
            ) {
                return $part;
            }
        }

        throw new \DomainException("nowhere does it say “{$phrase}”");
    }

    private function replace(PartTree $tree, Part $part): PartTree
    {
        return PartTree::of(array_map(fn (Part $each) => $each->id === $part->id ? $part : $each, $tree->parts));
    }

    /**
     * @param  int<0, max>  $depth
     * @param  array<string, RichText|string|int|bool>  $fields
     */
    private function part(string $role, int $depth, array $fields): Part
    {
        return new Part('f'.substr(hash('sha256', $this->name.'/'.++$this->count), 0, 9), $role, $depth, $fields);
    }
}

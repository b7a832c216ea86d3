<?php

declare(strict_types=1);

namespace Demo;

use Closure;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;

/** Carries a story's edits out on a report. Fields are named as they are called in the dataset at that moment. */
final class ReportDraft implements Drafting
{
    private int $count = 0;

    /** @param Closure(string): array{string, PartTree} $dataset key and state of a dataset by its title */
    public function __construct(private readonly Closure $dataset) {}

    public function edit(PartTree $tree, string $line): PartTree
    {
        foreach (explode(' && ', $line) as $edit) {
            [$word, $rest] = [...explode(' ', $edit, 2), ''];
            $tree = match ($word) {
                'page' => $this->page($tree, $rest),
                'widget' => $this->widget($tree, $rest),
                'text' => $this->text($tree, $rest),
                'set' => $this->set($tree, ...Prose::two($rest, ': ')),
                'remove' => $this->without($tree, self::titled($tree, $rest)->id),
                'period' => $this->period($tree, ...Prose::two($rest, ': ')),
                default => throw new \DomainException("no story can “{$word}” in a report"),
            };
        }

        return $tree;
    }

    /** The first page takes the title of the one that is there. */
    private function page(PartTree $tree, string $title): PartTree
    {
        return $this->count++ === 0
            ? PartTree::of([$tree->parts[0]->with('title', $title)])
            : PartTree::of([...$tree->parts, new Part('dpage'.$this->count, 'page', 0, ['title' => $title])]);
    }

    /** `TYPE TITLE: dataset=…; measure=…; by=…; at=x,y,across,down`, on the last page. */
    private function widget(PartTree $tree, string $text): PartTree
    {
        [$head, $how] = Prose::two($text, ': ');
        [$type, $title] = explode(' ', $head, 2);
        $widget = new Part('dwidget'.++$this->count, 'widget', 1, [
            'type' => $type,
            'title' => $title,
            'x' => 0,
            'y' => 0,
            'across' => 6,
            'down' => 7,
        ]);

        return PartTree::of([...$tree->parts, $this->how($widget, $how)]);
    }

    private function text(PartTree $tree, string $text): PartTree
    {
        [$at, $words] = Prose::two($text, ': ');
        $widget = new Part('dwidget'.++$this->count, 'widget', 1, [
            'type' => 'text',
            'title' => '',
            'text' => RichText::plain($words),
            'x' => 0,
            'y' => 0,
            'across' => 6,
            'down' => 7,
        ]);

        return PartTree::of([...$tree->parts, $this->how($widget, "at={$at}")]);
    }

    private function set(PartTree $tree, string $title, string $how): PartTree
    {
        $widget = $this->how(self::titled($tree, $title), $how);

        return PartTree::of(array_map(fn (Part $part) => $part->id === $widget->id ? $widget : $part, $tree->parts));
    }

    private function period(PartTree $tree, string $title, string $period): PartTree
    {
        $page = self::titled($tree, $title);

        return PartTree::of(array_map(fn (Part $part) => $part->id === $page->id ? $page->with('period', $period) : $part, $tree->parts));
    }

    private function how(Part $widget, string $how): Part
    {
        $data = null;
        foreach (explode('; ', $how) as $one) {
            [$name, $value] = explode('=', $one, 2);
            if ($name === 'dataset') {
                [$key, $data] = ($this->dataset)($value);
                $widget = $widget->with('source', $key);

                continue;
            }
            if ($name === 'at') {
                foreach (array_combine(['x', 'y', 'across', 'down'], array_map(intval(...), explode(',', $value))) as $side => $number) {
                    $widget = $widget->with($side, $number);
                }

                continue;
            }
            if ($value === '') {
                $widget = $widget->without($name);

                continue;
            }
            if ($data === null && in_array($name, ['measure', 'by', 'split', 'filters'], true)) {
                $data = ($this->dataset)($widget->string('source'))[1];
            }
            $widget = $widget->with(
                $name,
                self::meant($name, $value, fn (string $named): string => $data === null ? $named : DataDraft::named($data, $named)->id),
            );
        }

        return $widget;
    }

    /**
     * @param  Closure(string): string  $field  of the dataset, by its name
     * @return string|int|list<string>
     */
    private static function meant(string $name, string $value, Closure $field): string|int|array
    {
        return match ($name) {
            'measure' => str_contains($value, ' ')
                ? strtok($value, ' ').':'.$field(substr($value, (int) strpos($value, ' ') + 1))
                : $value,
            'by' => str_contains($value, ' every ')
                ? $field(explode(' every ', $value)[0]).':'.explode(' every ', $value)[1]
                : $field($value),
            'split' => $field($value),
            'filters' => array_map(function (string $filter) use ($field): string {
                [$named, $way, $wanted] = explode('|', $filter);

                return $field($named)."|{$way}|{$wanted}";
            }, explode(' + ', $value)),
            'most' => (int) $value,
            default => $value,
        };
    }

    private function without(PartTree $tree, string $id): PartTree
    {
        $gone = array_flip(array_column($tree->subtree($id), 'id'));

        return PartTree::of(array_values(array_filter($tree->parts, fn (Part $part) => ! isset($gone[$part->id]))));
    }

    private static function titled(PartTree $tree, string $title): Part
    {
        foreach ($tree->parts as $part) {
            if ($part->string('title') === $title) {
                return $part;
            }
        }
        throw new \DomainException("nothing is called “{$title}”");
    }
}

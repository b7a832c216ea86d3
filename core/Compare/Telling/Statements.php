<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Telling;

use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Texts\TextCompare;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Label;

/** Gathers the changes of a set into statements that a person would make. */
final class Statements
{
    /** Stands for the title of an item where others have the id of a part. */
    public const TITLE = 'title';

    private readonly Words $words;

    /** So many edits of a few words each become one line. */
    private const SMALL_ONES = 20;

    /** @var list<Statement> */
    private array $statements = [];

    private readonly Pieces $pieces;

    /** @var list<Change> all but what is a table's affair */
    private readonly array $plain;

    private function __construct(
        private readonly Kind $kind,
        private readonly PartTree $old,
        private readonly PartTree $new,
        private readonly ChangeSet $changes,
        private readonly Detail $detail,
    ) {
        $this->words = new Words;
        $grid = $kind->grid();
        $this->plain = $grid === null
            ? $changes->changes
            : array_values(
                array_filter(
                    $changes->changes,
                    fn (Change $change) => $change->part()->role !== $grid->row && $change->part()->role !== $grid->column,
                ),
            );
        $this->pieces = new Pieces($kind, $old, $new, $this->plain, $this->words);
    }

    /** @return list<Statement> */
    private function tables(): array
    {
        $grid = $this->kind->grid();

        return $grid === null ? [] : TableStatements::of($this->kind, $grid, $this->old, $this->new, $this->changes, $this->detail);
    }

    /** @return list<Change> */
    private function plain(ChangeType $type): array
    {
        return array_values(array_filter($this->plain, fn (Change $change) => $change->type === $type));
    }

    private function gatherSmallOnes(): void
    {
        $small = array_filter($this->statements, fn (Statement $statement) => $statement->isSmall());
        if ($this->detail === Detail::Apart || count($small) < self::SMALL_ONES) {
            return;
        }
        $this->statements = array_values(array_diff_key($this->statements, $small));
        $ids = array_merge(...array_map(fn (Statement $statement) => $statement->ids, array_values($small)));
        $this->statements[] = new Statement(
            'small',
            ChangeType::Edited,
            ['count' => count($small)],
            $ids,
            array_sum(array_column($small, 'added')),
            array_sum(array_column($small, 'removed')),
        );
    }

    /**
     * @return list<Statement> in the order of the content, what is gone before what is new at the same place
     */
    public static function of(Kind $kind, PartTree $old, PartTree $new, ChangeSet $changes, Detail $detail = Detail::Gathered): array
    {
        $self = new self($kind, $old, $new, $changes, $detail);
        $self->statements = $self->pieces->statements($self->place(...));
        $self->cameAndWent(ChangeType::Removed, $old);
        $self->cameAndWent(ChangeType::Added, $new);
        $self->moves();
        $self->edits();
        array_push($self->statements, ...$self->tables());
        $self->gatherSmallOnes();

        return $self->inOrder();
    }

    /** @return list<Statement> of what an item is called; nothing when that is the same, or was not known */
    public static function ofTitle(string $was, string $is): array
    {
        return $was === $is || $was === ''
            ? []
            : [new Statement('retitled', ChangeType::Edited, ['was' => $was, 'title' => $is], [self::TITLE], 0, 0)];
    }

    /**
     * @param  list<Statement>  $statements
     * @return Statement|null the one that tells most
     */
    public static function mostTelling(array $statements): ?Statement
    {
        usort($statements, fn (Statement $one, Statement $two) => $two->weight() <=> $one->weight());

        return $statements[0] ?? null;
    }

    private function cameAndWent(ChangeType $type, PartTree $side): void
    {
        $ids = array_flip(array_map(fn (Change $change) => $change->id, $this->plain($type)));
        $cells = $rows = $runs = [];
        $end = -1;
        $run = -1;
        foreach ($side->parts as $position => $part) {
            if (! isset($ids[$part->id]) || isset($ids[$side->parent($part->id)]) || $this->pieces->has($part->id)) {
                continue;
            }
            $size = count($side->subtree($part->id));
            if ($part->role === 'cell') {
                $cells[$side->parent($side->parent($part->id))][] = $part->id;
            } elseif ($part->role === 'row') {
                $rows[$side->parent($part->id)][] = $part->id;
            } elseif (
                $this->detail !== Detail::Apart
                && $end === $position
                && $part->role !== 'heading'
                && $part->depth === $side->get($runs[$run][0])->depth
            ) {
                $runs[$run][] = $part->id;
                $end = $position + $size;
            } else {
                $runs[++$run] = [$part->id];
                $end = $position + $size;
            }
        }
        foreach ($runs as $run) {
            $this->cameOrWent($type, $side, $run);
        }
        foreach ($rows as $table => $of) {
            $this->ofTable('row', $type, $side, $table, $of, count($of));
        }
        foreach ($cells as $table => $of) {
            $height = max(1, count($side->children()[$table] ?? []));
            $this->ofTable('column', $type, $side, $table, $of, (int) ceil(count($of) / $height));
        }
    }

    /**
     * Rows or columns of a document's table that came or went.
     *
     * @param  'row'|'column'  $what
     * @param  non-empty-list<string>  $run
     */
    private function ofTable(string $what, ChangeType $type, PartTree $side, string $table, array $run, int $count): void
    {
        $name = $this->kind->label($side, $side->get($run[0]));
        $this->add($type, $side, $run, [
            'form' => $count === 1 && $name === '' ? "empty_{$what}" : "{$what}s",
            'count' => $count,
            'name' => $this->kind->label($side, $side->get($table)),
            'row' => $name,
        ]);
    }

    /** @param non-empty-list<string> $run neighbours that came or went together */
    private function cameOrWent(ChangeType $type, PartTree $side, array $run): void
    {
        $first = $side->get($run[0]);
        $nouns = array_unique(array_map(fn (string $id) => $this->kind->noun($side->get($id)), $run));
        $name = $this->kind->label($side, $first);
        $section = $first->role === 'heading' && count($run) > 1;
        $below = count($run) > 1 || in_array($first->role, ['table', 'item'], true) ? [] : $side->children()[$first->id] ?? [];
        $this->add($type, $side, $run, [
            'form' => match (true) {
                $section => 'section',
                count($run) > 1 => 'several',
                $below !== [] => $name === '' ? 'unnamed_holding' : 'holding',
                $name === '' => 'unnamed',
                default => 'named',
            },
            'noun' => $section || count($nouns) === 1 ? $nouns[0] : 'part',
            'name' => $name,
            'count' => $section ? count($run) - 1 : count($run),
            ...($below === [] ? [] : $this->holding($side, $below)),
            ...$this->place($side, $first),
        ]);
    }

    /**
     * @param  non-empty-list<string>  $below
     * @return array{count: int, inner: string} what most of them are
     */
    private function holding(PartTree $side, array $below): array
    {
        $nouns = array_count_values(array_map(fn (string $id) => $this->kind->noun($side->get($id)), $below));
        arsort($nouns);

        return ['count' => max($nouns), 'inner' => (string) array_key_first($nouns)];
    }

    private function moves(): void
    {
        $moves = $this->plain(ChangeType::Moved);
        $moved = array_fill_keys(array_map(fn (Change $change) => $change->id, $moves), true);
        foreach ($this->runs($moves) as $run) {
            $first = $run[0];
            $part = $this->new->get($first->id);
            $from = $this->kind->place($this->old, $this->old->get($first->id));
            $to = $this->kind->place($this->new, $part);
            $name = $this->kind->label($this->new, $part);
            $section = count($run) > 1 && $part->role === 'heading' && $name !== '';
            $this->statements[] = new Statement(
                'moved',
                ChangeType::Moved,
                [
                    ...Movement::of($this->kind, $first->id, $this->old, $this->new, $moved),
                    'form' => count($run) > 1 ? ($section ? 'section' : 'several') : ($name === '' ? 'unnamed' : 'named'),
                    'noun' => count($run) > 1 && ! $section ? 'part' : $this->kind->noun($part),
                    'name' => $name,
                    'count' => count($run) - ($section ? 1 : 0),
                    ...$from !== null && $from !== $to ? ['from' => $this->kind->label($this->old, $this->old->get($from))] : [],
                    ...$this->place($this->new, $part),
                ],
                array_map(fn (Change $change) => $change->id, $run),
                0,
                0,
            );
        }
    }

    /**
     * @param  list<Change>  $moves
     * @return list<non-empty-list<Change>> those that are told as one
     */
    private function runs(array $moves): array
    {
        $runs = [];
        $before = null;
        foreach ($moves as $change) {
            // Neighbours that were neighbours before moved as one.
            if (
                $this->detail !== Detail::Apart
                && $before !== null
                && $change->to?->after === $before->id
                && $change->from?->after === $before->id
                && $change->to->parent === $before->to?->parent
            ) {
                $runs[array_key_last($runs)][] = $change;
            } else {
                $runs[] = [$change];
            }
            $before = $change;
        }

        return $runs;
    }

    private function edits(): void
    {
        foreach ($this->plain(ChangeType::Edited) as $change) {
            if ($change->before !== null && $change->after !== null) {
                $this->edit($change->before, $change->after);
            }
        }
    }

    private function edit(Part $before, Part $after): void
    {
        $field = $this->textField($before, $after);
        $old = $before->richText($field);
        $new = $after->richText($field);
        [$added, $removed] = $old->text() === $new->text() ? [0, 0] : TextCompare::of($old, $new, $this->words)->counts();
        if ($field === 'text' && $this->pieces->isRest($after->id)) {
            // What was split off or joined is told by itself.
            [$came, $went] = $this->pieces->carried($after->id);
            [$added, $removed] = [max(0, $added - $came), max(0, $removed - $went)];
            if ($before->differing($after) === ['text'] && ($added + $removed === 0 || $this->pieces->isWhole($after->id))) {
                return;
            }
        }
        [$code, $values] = $this->said($before, $after, $field, $added, $removed);
        $name = $this->kind->label($this->new, $after);
        $was = $this->kind->label($this->old, $before);
        $this->statements[] = new Statement(
            $code,
            ChangeType::Edited,
            [
                'noun' => $this->kind->noun($after),
                // What has no name is known by what was written in it.
                'name' => $name === '' && $was === '' ? Label::of(($new->isEmpty() ? $old : $new)->text()) : ($name === '' ? $was : $name),
                'was' => $was,
                'count' => max($added, $removed),
                ...$values,
                // One goes by headings where there are any; anything else is called by its own name.
                ...($name === '' || $this->isUnderHeading($after) ? $this->place($this->new, $after) : []),
            ],
            [$after->id],
            $added,
            $removed,
        );
    }

    /**
     * What is said of an edit.
     *
     * @return array{string, array<string, string|int>} the statement's code, and values of it
     */
    private function said(Part $before, Part $after, string $field, int $added, int $removed): array
    {
        [$old, $new] = [$before->richText($field), $after->richText($field)];
        $values = [];
        $code = match (true) {
            $after->role === 'answer' && FieldFacts::isAnswer($old, $new) => FieldFacts::answer($old->text(), $new->text(), $values),
            $old->text() !== $new->text() => $after->role === 'heading' && ! $old->isEmpty() && ! $new->isEmpty()
                ? 'renamed'
                : $this->rewording($old, $new, $added, $removed),
            $before->role !== $after->role => 'became',
            ($before->fields['done'] ?? null) !== ($after->fields['done'] ?? null) => ($after->fields['done'] ?? false) === true
                ? 'ticked'
                : 'unticked',
            ($before->fields['chunk'] ?? null) !== ($after->fields['chunk'] ?? null) => 'replaced_picture',
            ($before->fields['alt'] ?? null) !== ($after->fields['alt'] ?? null) => 'described_picture',
            ! $old->equals($new) => 'formatted',
            default => FieldFacts::of($before, $after, $values),
        };
        foreach (['was' => $this->old, 'is' => $this->new] as $end => $tree) {
            // What a setting names by its id is said by its name.
            if (isset($values[$end]) && $tree->has((string) $values[$end])) {
                $values[$end] = $this->kind->label($tree, $tree->get((string) $values[$end]));
            }
        }

        return [$code, $values];
    }

    private function isUnderHeading(Part $part): bool
    {
        $place = $this->kind->place($this->new, $part);

        return $place !== null && $this->new->get($place)->role === 'heading';
    }

    /** The text that changed, or the one of that name. */
    private function textField(Part $before, Part $after): string
    {
        foreach ($before->differing($after) as $field) {
            if ($before->richText($field)->text() !== $after->richText($field)->text()) {
                return $field;
            }
        }

        return 'text';
    }

    private function rewording(RichText $old, RichText $new, int $added, int $removed): string
    {
        return match (true) {
            $old->isEmpty() => 'wrote',
            $new->isEmpty() => 'emptied',
            $added === 0 && $removed === 0 => 'punctuated',
            $removed === 0 => 'wrote_in',
            $added === 0 => 'cut',
            default => 'rewrote',
        };
    }

    /**
     * @param  non-empty-list<string>  $ids
     * @param  array<string, string|int>  $values
     */
    private function add(ChangeType $type, PartTree $side, array $ids, array $values): void
    {
        $other = $type === ChangeType::Added ? $this->old : $this->new;
        $all = $ids;
        $words = 0;
        foreach ($ids as $id) {
            foreach ($side->subtree($id) as $part) {
                if ($other->has($part->id)) {
                    continue;
                }
                $words += $this->words->count($part->richText());
                if ($part->id !== $id) {
                    $all[] = $part->id;
                }
            }
        }
        $words = max(1, $words);
        $this->statements[] = new Statement(
            $type->value,
            $type,
            $values,
            $all,
            $type === ChangeType::Added ? $words : 0,
            $type === ChangeType::Removed ? $words : 0,
        );
    }

    /** @return array{place?: string} */
    private function place(PartTree $side, Part $part): array
    {
        $place = $this->kind->place($side, $part);

        return $place === null ? [] : ['place' => $this->kind->label($side, $side->get($place))];
    }

    /** @return list<Statement> */
    private function inOrder(): array
    {
        $positions = [];
        $open = array_reverse(Layout::of($this->old, $this->new, $this->changes));
        while ($open !== []) {
            $marked = array_pop($open);
            $positions[$marked->part->id] = count($positions);
            array_push($open, ...array_reverse($marked->children));
        }
        usort($this->statements, fn (Statement $one, Statement $two) => ($positions[$one->ids[0]] ?? 0) <=> ($positions[$two->ids[0]] ?? 0));

        return $this->statements;
    }
}

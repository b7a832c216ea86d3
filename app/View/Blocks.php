<?php

declare(strict_types=1);

namespace App\View;

use App\Models\User;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Telling\Layout;
use MistyAttic\Core\Compare\Telling\MarkedPart;
use MistyAttic\Core\Compare\Telling\Movement;
use MistyAttic\Core\Compare\Texts\Span;
use MistyAttic\Core\Compare\Texts\SpanKind;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Numbering;

/** Makes blocks of the parts of a document or a page: list items in one row with their numbers, all else with what is below. */
final class Blocks
{
    private readonly Numbering $numbering;

    /** @var array<string, mixed>|null what moved, by id */
    private ?array $moved = null;

    private function __construct(
        private readonly Kind $kind,
        private readonly ?Comparison $comparison,
        private readonly PartTree $old,
        private readonly ?Authorship $authors = null,
    ) {
        $this->numbering = new Numbering;
    }

    /** @return list<Block> */
    public static function compared(Kind $kind, Comparison $comparison, ?Pieces $pieces = null): array
    {
        return (new self($kind, $comparison, $comparison->old))->all(
            self::cut($comparison->layout(traces: $kind->beside() !== null), $pieces),
        );
    }

    /** @return list<Block> the earlier side alone, in its own order, with what was to change marked */
    public static function earlier(Kind $kind, Comparison $comparison): array
    {
        return (new self($kind, $comparison, $comparison->old))->all(
            Layout::earlier($comparison->old, $comparison->new, $comparison->changes),
        );
    }

    /** @return list<Block> */
    public static function plain(Kind $kind, PartTree $tree, ?Pieces $pieces = null): array
    {
        return (new self($kind, null, $tree))->all(self::cut(Layout::of($tree, $tree, new ChangeSet([])), $pieces));
    }

    /** @return list<Block> a state, each word marked by who wrote it */
    public static function written(Kind $kind, PartTree $tree, Authorship $authors, ?Pieces $pieces = null): array
    {
        return (new self($kind, null, $tree, $authors))->all(self::cut(Layout::of($tree, $tree, new ChangeSet([])), $pieces));
    }

    /**
     * @param  list<MarkedPart>  $all
     * @return list<MarkedPart>
     */
    private static function cut(array $all, ?Pieces $pieces): array
    {
        return $pieces === null ? $all : $pieces->cut($all);
    }

    /**
     * @param  list<MarkedPart>  $parts
     * @return list<Block>
     */
    private function all(array $parts): array
    {
        $blocks = [];
        $open = array_reverse($parts);
        while ($open !== []) {
            $marked = array_pop($open);
            if ($marked->part->role === 'item') {
                $blocks[] = $this->block($marked, $this->numbering->count($marked->part), []);
                array_push($open, ...array_reverse($marked->children));
            } elseif (in_array($marked->part->string('style'), ['bullet', 'number'], true)) {
                $blocks[] = $this->block($marked, $this->numbering->count($marked->part), []);
            } else {
                $this->numbering->end();
                $blocks[] = $this->block($marked, 0, $this->all($marked->children));
            }
        }

        return $blocks;
    }

    /** @param list<Block> $children */
    private function block(MarkedPart $marked, int $number, array $children): Block
    {
        $spans = $this->spans($marked);
        // There is no margin within a table or between the columns of a page.
        $signed = $this->authors === null ? null : $marked->part->role === 'cell' || $this->kind->beside() !== null;
        $editors = [];
        foreach ([...($signed === true ? [] : $spans), [null, $this->editor($marked)]] as [, $user]) {
            if ($user instanceof User) {
                $editors[$user->id] = $user;
            }
        }

        return new Block($marked, $spans, array_values($editors), $this->note($marked), $number, $children, $signed);
    }

    /** @return list<array{Span, User|null}> */
    private function spans(MarkedPart $marked): array
    {
        if (! isset($marked->part->fields['text'])) {
            return [];
        }
        if ($this->authors !== null) {
            return $this->authors->spans($marked->part->id);
        }
        if ($marked->state === null && $marked->edited && $this->comparison !== null) {
            return $this->comparison->spans($marked);
        }
        $kind = match ($marked->state) {
            ChangeType::Added => SpanKind::Added,
            ChangeType::Removed => SpanKind::Removed,
            default => SpanKind::Same,
        };

        return [[new Span($kind, $marked->part->richText()), null]];
    }

    private function editor(MarkedPart $marked): ?User
    {
        return match (true) {
            // A text is told word by word, and what is made of other parts by those.
            $this->authors !== null => isset($marked->part->fields['text'])
            || ($marked->children !== [] && $marked->part->string('title') === '')
                ? null
                : $this->authors->last($marked->part->id),
            $this->comparison === null => null,
            $marked->state !== null => $this->comparison->editorOf($marked->part->id, $marked->state),
            $marked->movedFrom !== null => $this->comparison->editorOf($marked->part->id, ChangeType::Moved),
            $marked->edited => $this->comparison->editorOf($marked->part->id, ChangeType::Edited),
            default => null,
        };
    }

    private function movement(string $id): ?string
    {
        if ($this->comparison === null) {
            return null;
        }
        $movement = Movement::of(
            $this->kind,
            $id,
            $this->old,
            $this->comparison->new,
            $this->moved ??= TreeCompare::moved($this->old, $this->comparison->new),
        );
        $direction = $movement['direction'];
        if (isset($movement['to_side']) || isset($movement['to_name'])) {
            return (new Phrases)->movement('history.moved', $movement);
        }
        $from = $this->kind->place($this->old, $this->old->get($id));
        $to = $this->kind->place($this->comparison->new, $this->comparison->new->get($id));

        return $from === null || $from === $to
            ? __("history.moved.{$direction}")
            : __("history.moved_from.{$direction}", ['place' => $this->kind->label($this->old, $this->old->get($from))]);
    }

    private function note(MarkedPart $marked): ?string
    {
        if ($marked->movedFrom !== null) {
            return $this->movement($marked->part->id);
        }
        $before = $marked->before;
        if ($before === null || ! $marked->edited) {
            return null;
        }

        $note = match (true) {
            $before->role !== $marked->part->role => __('history.was', ['what' => __('changes.kinds.'.$this->kind->noun($before))]),
            $before->int('level') !== $marked->part->int('level') => __('history.was_level', ['level' => (string) $before->int('level')]),
            ($before->fields['done'] ?? false) !== ($marked->part->fields['done'] ?? false) => (string) __(
                ($before->fields['done'] ?? false) === true ? 'history.was_done' : 'history.was_open',
            ),
            $this->kind->beside() === null && $before->string('alt') !== $marked->part->string('alt') => __('history.was_described', [
                'alt' => $before->string('alt'),
            ]),
            $before->string('style') !== $marked->part->string('style') => (string) __('history.was_style.'.$before->string('style')),
            ($before->fields['start'] ?? null) !== ($marked->part->fields['start'] ?? null) => $before->int('start') === 0
                ? (string) __('history.was_counted_on')
                : __('history.was_start', ['number' => (string) $before->int('start')]),
            $before->string('background') !== $marked->part->string('background') => (string) __(
                'history.was_background.'.$before->string('background'),
            ),
            $before->string('tone') !== $marked->part->string('tone') => (string) __('history.was_tone.'.$before->string('tone')),
            $before->role === $this->kind->beside() && $before->int('width') !== $marked->part->int('width') => __('history.was_wide', [
                'width' => (string) $before->int('width'),
            ]),
            default => null,
        };

        return is_string($note) ? $note : null;
    }
}

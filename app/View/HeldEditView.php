<?php

declare(strict_types=1);

namespace App\View;

use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\User;
use App\Store\States;
use MistyAttic\Core\Compare\Span;
use MistyAttic\Core\Compare\TextCompare;
use MistyAttic\Core\Compare\Words;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Merge\Choice;
use MistyAttic\Core\Merge\Conflict;
use MistyAttic\Core\Merge\ConflictType;

/** An edit that was held back, laid out for its author to settle. */
final readonly class HeldEditView
{
    public Conflict $conflict;

    public string $name;

    public ?string $place;

    /** @var list<Choice> */
    public array $choices;

    /** How mine differs from what was there. */
    public SpanHtml $mine;

    public SpanHtml $theirs;

    public function __construct(Item $item, HeldEdit $held, User $author, States $states)
    {
        $this->conflict = $conflict = $held->meeting();
        $tree = $states->tree($held->root);
        $kind = Kinds::named($item->kind);
        $part = $tree->find($conflict->id);
        $this->name = $part === null ? mb_substr(($conflict->mine[0] ?? null)?->richText()->text() ?? '', 0, 60) : $kind->label($tree, $part);
        $place = $part === null ? null : $kind->place($tree, $part);
        $this->place = $place === null ? null : $kind->label($tree, $tree->get($place));
        $this->choices = Choice::for($conflict->type);
        $now = $part?->richText() ?? new RichText;
        $mine = match (true) {
            $conflict->meeting !== null => $conflict->meeting->mine,
            $conflict->type === ConflictType::RemovedEdited => new RichText,
            default => ($conflict->mine[0] ?? null)?->richText() ?? new RichText,
        };
        $base = $conflict->meeting->base ?? $now;
        $this->mine = $this->compared($base, $mine, $author);
        $this->theirs = $this->compared($base, $conflict->meeting->theirs ?? $now, $held->met);
    }

    private function compared(RichText $base, RichText $side, ?User $author): SpanHtml
    {
        $spans = TextCompare::of($base, $side, new Words)->spans();

        return new SpanHtml(array_map(fn (Span $span) => [$span, $author], $spans));
    }

    public function third(): string
    {
        return $this->conflict->meeting?->mine->text() ?? '';
    }
}

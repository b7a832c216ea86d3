<?php

declare(strict_types=1);

namespace App\View;

use App\Models\HeldEdit;
use App\Models\User;
use App\Store\States;
use MistyAttic\Core\Compare\Span;
use MistyAttic\Core\Compare\SpanKind;
use MistyAttic\Core\Compare\TextCompare;
use MistyAttic\Core\Compare\Words;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Merge\Choice;
use MistyAttic\Core\Merge\Conflict;
use MistyAttic\Core\Merge\ConflictType;

/** An edit that was held back, laid out for its author to settle. */
final readonly class HeldEditView
{
    /** Characters of the text on either side. */
    private const AROUND = 120;

    public Conflict $conflict;

    /** @var list<Choice> */
    public array $choices;

    /** How mine differs from what was there. */
    public SpanHtml $mine;

    public SpanHtml $theirs;

    public function __construct(HeldEdit $held, User $author, States $states)
    {
        $this->conflict = $conflict = $held->meeting();
        $part = $states->tree($held->root)->find($conflict->id);
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
        $meeting = $this->conflict->meeting;
        $spans = [
            new Span(SpanKind::Same, RichText::plain($this->end($meeting?->before->text() ?? ''))),
            ...TextCompare::of($base, $side, new Words)->spans(),
            new Span(SpanKind::Same, RichText::plain($this->beginning($meeting?->after->text() ?? ''))),
        ];

        return new SpanHtml(array_map(fn (Span $span) => [$span, $author], $spans));
    }

    /** A little of the text around, so that one sees where it is. */
    private function end(string $text): string
    {
        return mb_strlen($text) > self::AROUND ? '… '.mb_substr($text, -self::AROUND) : $text;
    }

    private function beginning(string $text): string
    {
        return mb_strlen($text) > self::AROUND ? mb_substr($text, 0, self::AROUND).' …' : $text;
    }

    public function third(): string
    {
        return $this->conflict->meeting?->mine->text() ?? '';
    }
}

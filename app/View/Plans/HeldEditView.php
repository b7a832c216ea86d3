<?php

declare(strict_types=1);

namespace App\View\Plans;

use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\User;
use App\Store\States;
use App\View\Past;
use App\View\Settings\Settings;
use App\View\SpanHtml;
use MistyAttic\Core\Compare\Texts\Span;
use MistyAttic\Core\Compare\Texts\SpanKind;
use MistyAttic\Core\Compare\Texts\TextCompare;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;
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

    /** @var array{mine: RichText, theirs: RichText} */
    private array $texts;

    /** The cell that both wrote in, by the names of its column and row. */
    public ?string $cell;

    /** The setting that both changed, by its name. */
    public ?string $setting;

    /** @var array{string, string} the pictures on either side, mine first, by their chunks; empty where there is none */
    public array $pictures;

    public function __construct(HeldEdit $held, User $author, States $states)
    {
        $this->conflict = $conflict = $held->meeting();
        $tree = $states->tree($held->root);
        $part = $tree->find($conflict->id);
        $this->choices = Choice::for($conflict->type);
        $kind = Kinds::named($held->item->kind);
        $past = $held->item->room(Past::class);
        $show = fn (?Part $of): RichText => $of === null ? new RichText : self::shown($past, $kind, $tree, $of, $conflict->field);
        $now = $show($part);
        $mine = match (true) {
            $conflict->meeting !== null => $conflict->meeting->mine,
            $conflict->type === ConflictType::RemovedEdited => new RichText,
            default => $show($conflict->mine[0] ?? null),
        };
        $column = $conflict->field === null ? null : $tree->find($conflict->field);
        $this->cell = $column === null || $part === null
            ? null
            : (string) __('history.cell.of', ['column' => $kind->label($tree, $column), 'row' => $kind->label($tree, $part)]);
        $this->setting
            = $conflict->field === null || $conflict->field === 'text' || $column !== null ? null : Settings::name($conflict->field);
        $this->pictures = [($conflict->mine[0] ?? null)?->string('chunk') ?? '', $part?->string('chunk') ?? ''];
        $base = $conflict->meeting->base ?? $now;
        $this->texts = ['mine' => $mine, 'theirs' => $conflict->meeting->theirs ?? $now];
        $this->mine = $this->compared($base, $mine, $author);
        $this->theirs = $this->compared($base, $this->texts['theirs'], $held->met);
    }

    /** Where it met something, for whoever sees what is there now: the place has words of others. */
    public static function where(HeldEdit $held, Item $item, User $viewer): string
    {
        return $held->place === '' || $viewer->cannot('draft', $item) ? '' : " in “{$held->place}”";
    }

    /** Whose edit it met, as in “it met one of …”. */
    public static function whose(HeldEdit $held): string
    {
        return $held->met === null ? (string) __('history.met_own') : (string) __('history.met', ['name' => $held->met->firstName()]);
    }

    /** Whose it is, to begin a sentence with: one's own, or that of somebody who can't come to settle it. */
    public static function title(HeldEdit $held, ?User $reader): string
    {
        return $held->user_id === $reader?->id
            ? (string) __('item.held_own')
            : (string) __('item.held_of', ['name' => $held->user->firstName()]);
    }

    /** The text of a part; of a row of a table the cell, or all of them. */
    private static function shown(Past $past, Kind $kind, PartTree $tree, Part $part, ?string $field): RichText
    {
        $grid = $kind->grid();
        $says = $past->says($part);
        if ($part->role !== $grid?->row) {
            return match (true) {
                $says !== null => RichText::plain($says),
                $part->role === $grid?->column => RichText::plain($kind->label($tree, $part)),
                isset($part->fields['text']) && ($field === null || $field === 'text') => $part->richText(),
                $field !== null => RichText::plain(Settings::value($part, $field)),
                default => RichText::plain(
                    implode(
                        "\n",
                        array_map(
                            fn (string $name, string $value): string => "{$name}: {$value}",
                            array_keys(Settings::of($part)),
                            Settings::of($part),
                        ),
                    ),
                ),
            };
        }
        $cells = $field === null ? $part->fields : [$field => $part->fields[$field] ?? null];

        return RichText::plain(implode(' | ', array_map(fn (mixed $value): string => $kind->written($tree, $part, $value), $cells)));
    }

    /** What a side has there, in plain words. @param 'mine'|'theirs' $side */
    public function text(string $side): string
    {
        $text = trim($this->texts[$side]->text());

        return $text === '' ? (string) __('history.cell.empty') : $text;
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

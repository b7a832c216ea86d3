<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\Excerpt;
use App\Store\States;
use App\Store\TouchesBetween;
use App\Store\Writers;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Telling\Detail;
use MistyAttic\Core\Compare\Telling\Layout;
use MistyAttic\Core\Compare\Telling\MarkedPart;
use MistyAttic\Core\Compare\Telling\Statements;
use MistyAttic\Core\Compare\Texts\Carried;
use MistyAttic\Core\Compare\Texts\Span;
use MistyAttic\Core\Compare\Texts\TextAuthors;
use MistyAttic\Core\Compare\Texts\TextCompare;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\History\Answerable;
use MistyAttic\Core\History\Touch;
use MistyAttic\Core\History\Touched;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Store\Nodes;

/** Two versions of an item compared, with who did what in between; reads only the versions that touched what changed. */
final class Comparison
{
    /** The most states in between that are read to tell who wrote which word. */
    private const MOST_READINGS = 150;

    /** The most changes that a page lists; a file has all of them. */
    public const MOST_LISTED = 400;

    /** The kind that both are read as. */
    public readonly Kind $kind;

    public readonly PartTree $old;

    public readonly PartTree $new;

    public readonly ChangeSet $changes;

    /** @var list<ChangeLine> */
    public readonly array $entries;

    /** @var array<string, list<Touch>> */
    private array $touches;

    /** @var Collection<int, Version> by number */
    private Collection $versions;

    /** @var Collection<int, User> by id */
    public readonly Collection $users;

    private Words $words;

    /** @var array<string, array<string, true>>|null */
    private ?array $done = null;

    /** Whether of each part only the first and the last touch of each editor are known. */
    private readonly bool $areEnds;

    /** Whether of a large table only what differs was read. */
    public readonly bool $isExcerpt;

    private int $readings = 0;

    private ?WordAuthors $writers = null;

    private ?Nodes $nodes = null;

    /** @var array{array<string, array<int, true>>, array<string, array<int, true>>}|null */
    private ?array $carried = null;

    /** Whether words were told by a part's last editor somewhere, to bound the work. */
    public bool $coarse = false;

    /**
     * @param  bool  $apart  says neighbours and small edits one by one
     * @param  bool  $whole  both states with all that is the same in them, also of a large table
     */
    public function __construct(
        private readonly Item $item,
        public readonly Version $from,
        public readonly Version $to,
        private readonly States $states,
        Phrases $phrases,
        bool $apart = false,
        public readonly bool $whole = false,
        ?ReadAs $readAs = null,
    ) {
        $this->words = new Words;
        $this->kind = $kind = $readAs->kind ?? $item->kind();
        $grid = $kind->grid();
        $excerpt = $grid === null || $whole || $readAs !== null ? null : Excerpt::of($states, $grid, $from->root, $to->root);
        $this->isExcerpt = $excerpt !== null;
        $this->old = $readAs->old ?? $excerpt->old ?? $states->tree($from->root);
        $this->new = $readAs->new ?? $excerpt->new ?? ($from->root === $to->root ? $this->old : $states->tree($to->root));
        $this->changes = $excerpt->changes ?? TreeCompare::of($this->old, $this->new);
        $touched = $readAs === null ? Touched::by($this->changes, $kind) : [];
        $between = $readAs !== null || ! $to->exists
            ? null
            : new TouchesBetween(
                $item,
                min($from->number, $to->number),
                max($from->number, $to->number),
                array_map(strval(...), array_keys($touched)),
            );
        $this->touches = $between->of ?? ($readAs->touches ?? TouchesBetween::toCome($to, $touched));
        $this->coarse = $between->areEnds ?? false;
        // What is only read as parts has no history of its own words.
        $this->areEnds = $between->areEnds ?? true;
        $all = array_merge([], ...array_values($this->touches));
        $this->versions = $this->versionsOf(array_values(array_unique(array_column($all, 'number'))));
        $this->users = Writers::people(array_column($all, 'editor'));
        $entries = $this->title($phrases);
        foreach (Statements::of($kind, $this->old, $this->new, $this->changes, $apart ? Detail::Apart : Detail::Listed) as $statement) {
            $answers = Answerable::forStatement($statement, $this->touches);
            $last = $answers === [] ? null : $this->versions->get($answers[array_key_last($answers)]->number);
            // Readers are not told of the drafts in between.
            $drafts = $item->sight === null;
            $entries[] = new ChangeLine(
                $statement,
                $phrases->statement($statement),
                $drafts ? array_column($answers, 'number') : [],
                $this->editors($answers),
                $drafts ? $last?->saved_at : null,
                $between->areEnds ?? false,
            );
        }
        $this->entries = $entries;
    }

    /** @return list<ChangeLine> that it is called something else, and by whom */
    private function title(Phrases $phrases): array
    {
        [$statement] = [...Statements::ofTitle($this->from->title, $this->to->title), null];
        if ($statement === null) {
            return [];
        }
        $last = (int) Version::query()
            ->where('item_id', $this->item->id)
            ->where('number', '<', $this->to->number)
            ->where('title', '!=', $this->to->title)
            ->max('number') + 1;
        $version = $this->item->sight !== null
            ? null
            : Version::query()
                ->with('user')
                ->where(['item_id' => $this->item->id, 'number' => $last])
                ->first();

        return [
            new ChangeLine(
                $statement,
                $phrases->statement($statement),
                $version === null ? [] : [$version->number],
                $version === null ? [] : [$version->user],
                $version?->saved_at,
            ),
        ];
    }

    /**
     * @param  bool  $traces  see {@see Layout::of}
     * @return list<MarkedPart>
     */
    public function layout(bool $traces = false): array
    {
        return Layout::of($this->old, $this->new, $this->changes, $traces);
    }

    /** @return array<string, array<string, true>> type of change => id => true */
    public function done(): array
    {
        if ($this->done === null) {
            $this->done = [];
            foreach ($this->changes->changes as $change) {
                $this->done[$change->type->value][$change->id] = true;
            }
        }

        return $this->done;
    }

    /** Who answers for a part's addition, removal or move. */
    public function editorOf(string $part, ChangeType $type): ?User
    {
        $answers = Answerable::for($type, $this->touches[$part] ?? []);

        return $answers === [] ? null : $this->users->get($answers[array_key_last($answers)]->editor);
    }

    /** When that was done; null where it is not told. */
    public function whenDone(string $part, ChangeType $type): ?CarbonImmutable
    {
        $answers = Answerable::for($type, $this->touches[$part] ?? []);

        return $answers === [] ? null : $this->versions->get($answers[array_key_last($answers)]->number)?->saved_at;
    }

    /** Who wrote a cell last, between the ends. */
    public function editorOfCell(string $row, string $column): ?User
    {
        $touches = $this->touches["{$row}/{$column}"] ?? $this->touches[$row] ?? [];

        return $touches === [] ? null : $this->users->get($touches[count($touches) - 1]->editor);
    }

    /**
     * The words of a part that is on both sides.
     *
     * @return list<array{Span, User|null}>
     */
    public function spans(MarkedPart $marked): array
    {
        $old = $marked->before?->richText() ?? $marked->part->richText();
        $new = $marked->part->richText();
        $compare = TextCompare::of($old, $new, $this->words);
        $part = $marked->part->id;
        $touches = Answerable::forWords($this->touches[$part] ?? []);
        // Of the ends alone, the last one speaks for all words.
        $runs = $this->areEnds ? array_slice($touches, -1) : Answerable::runs($touches, $this->writers()->carriedInto($part));
        $authors = null;
        if (! $this->areEnds && $runs !== [] && ! $old->equals($new) && (count($runs) > 1 || $this->writers()->carriedInto($part) !== [])) {
            $states = $this->statesAfter($runs);
            $authors = $states === null ? null : TextAuthors::through([$old, ...$states, $new], $this->words);
        }
        $editor = fn (int $step): int => $runs[$step]->editor;
        $addedBy = [];
        foreach ($authors->addedBy ?? [] as $at => $step) {
            // What was written in between, elsewhere, is its writer's; what stood there before is told by who carried it.
            [$writer, $written] = $this->writers()->cameFrom($part, $runs[$step]->number, $authors->addedAt[$at] ?? -1) ?? [
                $editor($step),
                PHP_INT_MAX,
            ];
            $addedBy[$at] = $written > $this->from->number ? $writer : $editor($step);
        }
        [$came, $went] = $this->carried($part);
        $spans = $compare->spans(
            $addedBy,
            array_map($editor, $authors->removedBy ?? []),
            $runs === [] ? null : $editor(count($runs) - 1),
            $came,
            $went,
        );

        return array_map(
            fn (Span $span) => [
                $span,
                $span->step === null ? null : $this->users->get($span->step) ?? Writers::people([$span->step])->first(),
            ],
            $spans,
        );
    }

    private function writers(): WordAuthors
    {
        return $this->writers ??= new WordAuthors($this->item, max($this->from->number, $this->to->number), $this->states);
    }

    /**
     * The words that came from another place, and those that went to one.
     *
     * @return array{array<int, true>, array<int, true>} by their positions in the later and in the earlier text
     */
    private function carried(string $part): array
    {
        if ($this->carried === null) {
            $this->carried = [[], []];
            foreach (Carried::in($this->changes, $this->words) as $carried) {
                $this->carried[0][$carried->part]
                    = ($this->carried[0][$carried->part] ?? []) + array_fill($carried->at, $carried->length, true);
                $this->carried[1][$carried->from]
                    = ($this->carried[1][$carried->from] ?? []) + array_fill($carried->fromAt, $carried->length, true);
            }
        }

        return [$this->carried[0][$part] ?? [], $this->carried[1][$part] ?? []];
    }

    /**
     * The part's text after each of the runs but the last, whose state is the later end; null when that is too much to read.
     *
     * @param  non-empty-list<Touch>  $runs
     * @return list<RichText>|null
     */
    private function statesAfter(array $runs): ?array
    {
        array_pop($runs);
        $this->readings += count($runs);
        if ($this->readings > self::MOST_READINGS) {
            $this->coarse = true;

            return null;
        }
        $places = [];
        foreach ($runs as $at => $touch) {
            $root = $this->versions->get($touch->number)?->root;
            $places += $root === null || $touch->position === null ? [] : [$at => [$root, $touch->position]];
        }
        $parts = array_combine(array_keys($places), $this->states->partsAt(array_values($places), $this->nodes ??= $this->states->nodes()));

        return array_map(fn (int $at) => ($parts[$at] ?? null)?->richText() ?? new RichText, array_keys($runs));
    }

    /**
     * @param  list<int>  $numbers
     * @return Collection<int, Version>
     */
    private function versionsOf(array $numbers): Collection
    {
        $versions = new Collection;
        foreach (array_chunk($numbers, 500) as $batch) {
            $versions = $versions->concat(
                Version::query()
                    ->where('item_id', $this->item->id)
                    ->whereIn('number', $batch)
                    ->get(['id', 'item_id', 'number', 'root', 'user_id', 'saved_at']),
            );
        }

        return $versions->keyBy('number');
    }

    /**
     * @param  list<Touch>  $answers
     * @return list<User>
     */
    private function editors(array $answers): array
    {
        $users = array_map(fn (int $id) => $this->users->get($id), array_values(array_unique(array_column($answers, 'editor'))));

        return array_values(array_filter($users));
    }
}

<?php

declare(strict_types=1);

namespace App\Saving;

use App\Models\Cause;
use App\Models\Item;
use App\Models\LogLine;
use App\Models\Picture;
use App\Models\Proposal;
use App\Models\User;
use App\Models\Version;
use App\Store\CarriedWords;
use App\Store\Excerpt;
use App\Store\HandedRoots;
use App\Store\Lives\Lives;
use App\Store\NumberColumns;
use App\Store\States;
use App\Store\WhatIsKept;
use App\Talk\FollowPlaces;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Telling\Statement;
use MistyAttic\Core\Compare\Telling\Statements;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\History\Touched;
use MistyAttic\Core\History\Unusual\UnusualChange;
use MistyAttic\Core\History\Unusual\UnusualChanges;
use MistyAttic\Core\Kinds\Formulas\Spelling;
use MistyAttic\Core\Kinds\Grid;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;

/**
 * Adds a version to an item, or grows the newest one; what needs a yes first is proposed instead, and the newest version stays. To be
 * called inside the transaction of the action that wants it.
 */
final readonly class WriteVersion
{
    public function __construct(
        private States $states,
        private Propose $propose,
        private HandedRoots $handed,
        private CarriedWords $carried,
        private Lives $lives,
        private FollowPlaces $places,
    ) {}

    /** @param Compared|null $compared what {@see ahead} told */
    public function handle(Item $item, User $editor, Written $written, ?Compared $compared = null): Version
    {
        $newest = $item->head === 0 ? null : Version::query()->where(['item_id' => $item->id, 'number' => $item->head])->firstOrFail();
        $at = self::moment($written, $newest);
        if ($item->form_id !== null) {
            $item->loadMissing('form', 'shelf.memberships');
        }
        if ($newest !== null && ! $written->agreed && $item->form_id !== null && $item->shelf->wantsYesOf($editor, $item)) {
            return $newest->load('user', 'milestone')->waitsFor($this->propose->handle($item, $editor, $written->root));
        }
        // Without a history, one version takes in what everybody writes; what stood before it stays.
        $unkept = $newest !== null && $this->keepsNoSteps($item, $written);
        $grown = $newest === null ? null : $this->grown($item, $newest, $editor, $written, $unkept);
        $beforeRoot = $this->beforeRoot($item, $grown);
        $compared = $compared !== null && $compared->beforeRoot === $beforeRoot
            ? $compared
            : $this->compare($this->states, $item, $written, $grown, $beforeRoot);
        $this->check($item, $editor, $written, $grown, $compared);
        $writers = $unkept && $grown !== null ? $this->writers($item, $grown, $editor, $written) : [];
        $version = $grown ?? new Version([
            'item_id' => $item->id,
            'number' => $item->head + 1,
            'user_id' => $editor->id,
            'cause' => $written->cause,
            'source' => $written->source,
            'started_at' => $at,
        ]);
        $this->filled($version, $item, $editor, $written, $compared, $writers);
        $version->fill(['unkept' => $unkept, ...$unkept ? ['user_id' => $editor->id] : [], 'saved_at' => $at])->save();
        if ($grown !== null && $item->root !== $written->root) {
            $this->handed->keep($item, $item->root);
        }
        $this->log($item, $editor, $version, $version->title, $grown === null);
        $this->moveHead($item, $version, $written, $compared);
        $this->index($item, $version, $written, $compared, $writers, $grown !== null);
        if ($grown === null) {
            $this->tally($item, $editor, $at);
        }
        $item->isLine()
            ? Proposal::onLine($item)?->wrote($written->root, array_map(strval(...), array_keys($compared->touched)))
            : $item->room(Rules::class)->written($item, $version, $compared->after);

        return $version->load('user', 'milestone');
    }

    /** No version is from before the one that it follows. */
    private static function moment(Written $written, ?Version $newest): CarbonImmutable
    {
        $at = $written->at ?? CarbonImmutable::now();

        return $newest !== null && $newest->saved_at > $at ? $newest->saved_at : $at;
    }

    private function moveHead(Item $item, Version $version, Written $written, Compared $compared): void
    {
        $isGrid = Kinds::named($item->kind)->grid() !== null;
        $item->update([
            'head' => $version->number,
            'root' => $written->root,
            'title' => $version->title,
            'changed_at' => $version->saved_at,
            ...! $compared->isExcerpt && $isGrid ? ['formulas' => Spelling::hasFormulas($compared->after)] : [],
        ]);
    }

    /** What must hold when a state of this kind is written. */
    private function check(Item $item, User $editor, Written $written, ?Version $grown, Compared $compared): void
    {
        $item
            ->room(Rules::class)
            ->check(
                $item,
                $editor,
                $written,
                $compared,
                fn (): ChangeSet => $grown === null ? $compared->changes : $this->changesSince($item, $written),
            );
        $kind = Kinds::named($item->kind);
        if ($kind->grid() === null) {
            $this->ownPictures($item, $kind, $compared->changes);
        }
    }

    /**
     * The version with what it says of itself.
     *
     * @param  array<string, non-empty-list<int>>  $writers  see {@see writers}
     */
    private function filled(Version $version, Item $item, User $editor, Written $written, Compared $compared, array $writers): Version
    {
        $title = $written->title ?? $item->title;
        $called = $item->head === 0
            ? $title
            : ($version->exists
                ? (string) Version::query()
                    ->where('item_id', $item->id)
                    ->where('number', '<', $version->number)
                    ->orderByDesc('number')
                    ->value('title')
                : $item->title);
        $statements = [...Statements::ofTitle($called, $title), ...$compared->statements];

        return $version->fill([
            'root' => $written->root,
            'title' => $title,
            'kept' => $version->kept || $written->kept,
            'note' => $written->note ?? $version->note,
            'facts' => [
                ...$this->facts($statements),
                ...($written->of === null ? [] : ['of' => $written->of, ...($written->whose === null ? [] : ['whose' => $written->whose])]),
                ...($written->author === null ? [] : ['author' => $written->author]),
                ...($written->range === null ? [] : ['from' => $written->range[0], 'to' => $written->range[1]]),
                ...($writers === [] ? [] : ['by' => array_values(array_unique([...array_merge(...array_values($writers)), $editor->id]))]),
            ],
            'unusual' => $compared->unusual,
            'added' => array_sum(array_column($statements, 'added')),
            'removed' => array_sum(array_column($statements, 'removed')),
        ]);
    }

    /**
     * What is looked up by part: who touched it and when, its texts, its words through the versions, and what is said about it.
     *
     * @param  array<string, non-empty-list<int>>  $writers  see {@see writers}
     */
    private function index(Item $item, Version $version, Written $written, Compared $compared, array $writers, bool $hasGrown): void
    {
        $kind = Kinds::named($item->kind);
        $this->touch($item, $version, $compared->touched, $writers);
        if (! $item->isLine() && ($version->number === 1 || $item->is_read)) {
            $touched = [...array_map(strval(...), array_keys($compared->touched)), ...Touched::followed($compared->changes, $kind)];
            // So much at once would keep others from writing: it is read in by night.
            $isRead = ! Lives::areMany($touched, $compared->after);
            $item->is_read === $isRead || $item->update(['is_read' => $isRead]);
            $isRead && $this->lives->write($item, $version->number, $hasGrown, $kind, $touched, $compared->after, $version->title);
        }
        if ($kind->grid() === null) {
            $this->carried->keep($item, $version, $compared->before, $compared->after, $compared->changes, $written->from);
            $this->places->handle($item, $version->number, $compared->changes, $compared->before, $compared->after);
        }
    }

    /** What happened to the item as a whole, for the log of its shelf; of an entry only what went against the run of its history. */
    private function log(Item $item, User $editor, Version $version, string $title, bool $isNew): void
    {
        if ($item->isLine()) {
            return;
        }
        if ($isNew && $version->cause->isLogged()) {
            LogLine::ofItem($version->cause->value, $editor, $item, [
                'source' => (string) ($version->source ?? $version->number - 1),
                'number' => (string) $version->number,
            ]);
        } elseif ($isNew && $version->number === 1 && $item->form_id === null) {
            LogLine::ofItem('item_made', $editor, $item);
        }
        if ($item->title !== $title && $item->form_id === null) {
            LogLine::ofItem('item_renamed', $editor, $item, ['now' => $title]);
        }
    }

    /**
     * Compares what a state would become with what is before it, while others may write; when something else is there by then, it is done
     * again.
     *
     * @param  States  $states  in which the state can be read
     */
    public function ahead(States $states, Item $item, User $editor, Written $written): Compared
    {
        $item->form_id === null || $item->loadMissing('form');
        $newest = $item->head === 0 ? null : Version::query()->where(['item_id' => $item->id, 'number' => $item->head])->firstOrFail();
        $grown = $newest === null ? null : $this->grown($item, $newest, $editor, $written, $this->keepsNoSteps($item, $written));

        return $this->compare($states, $item, $written, $grown, $this->beforeRoot($item, $grown));
    }

    private function grown(Item $item, Version $newest, User $editor, Written $written, bool $unkept): ?Version
    {
        return ($unkept ? $newest->unkept && ! $newest->isHeldOnTo() : $this->grows($item, $newest, $editor, $written)) ? $newest : null;
    }

    private function beforeRoot(Item $item, ?Version $grown): ?string
    {
        return $grown === null ? ($item->head === 0 ? null : $item->root) : $item->rootBefore($grown->number);
    }

    private function compare(States $states, Item $item, Written $written, ?Version $grown, ?string $beforeRoot): Compared
    {
        $kind = Kinds::named($item->kind);
        $grid = $kind->grid();
        $excerpt = $grid === null || $beforeRoot === null ? null : Excerpt::of($states, $grid, $beforeRoot, $written->root);
        if ($excerpt === null) {
            $before = ($grown === null ? $written->before : null) ?? ($beforeRoot === null ? PartTree::of([]) : $states->tree($beforeRoot));
            $after = $written->after ?? $states->tree($written->root);
            $changes = TreeCompare::of($before, $after);
        } else {
            [$before, $after, $changes] = [$excerpt->old, $excerpt->new, $excerpt->changes];
        }
        $unusual = match (true) {
            $written->cause !== Cause::Wrote => null,
            $excerpt === null => $this->unusual($item, $before, $after, $changes, $beforeRoot),
            default => $this->unusualIn($item, $grid, $excerpt, (string) $beforeRoot),
        };

        return new Compared(
            $beforeRoot,
            $written->root,
            $before,
            $after,
            $changes,
            Statements::of($kind, $before, $after, $changes),
            $this->touched($kind, $changes, $after),
            $unusual,
            $excerpt !== null,
        );
    }

    /** Nothing changed: no version, but a note or a wish to keep this state may still go to the newest one. */
    public function unchanged(Item $item, User $editor, bool $keep, ?string $note): Version
    {
        $newest = Version::query()->where(['item_id' => $item->id, 'number' => $item->head])->firstOrFail();
        if ($keep) {
            $newest->update(['kept' => true]);
        }
        if ($note !== null) {
            $this->note($item, $editor, $item->head, $note);
        }

        return $newest->refresh()->load('user', 'milestone');
    }

    /** A note is said by whoever wrote the version. @return bool whether they did */
    public function note(Item $item, User $editor, int $number, string $note): bool
    {
        return Version::query()
            ->where(['item_id' => $item->id, 'number' => $number, 'user_id' => $editor->id])
            ->update(['note' => $note]) > 0;
    }

    /**
     * Where a shelf keeps no history of such items, none is kept of what is written; answers to a form without a history have none, and nor
     * have the datasets that follow them.
     */
    private function keepsNoSteps(Item $item, Written $written): bool
    {
        if (! $item->isLine() && ! $item->keepsHistory()) {
            return $written->cause === Cause::Wrote;
        }
        $form = $item->form_id !== null ? $item->form : ($written->follows ? $item->source : null);

        return $written->cause === Cause::Wrote && $form?->isAnswered() === true && $form->keeps_entries === false;
    }

    private function grows(Item $item, Version $newest, User $editor, Written $written): bool
    {
        if ($written->grows !== null) {
            return $written->grows && ! $newest->isHeldOnTo();
        }

        return $written->cause === Cause::Wrote && $newest->cause === Cause::Wrote
            && $newest->user_id === $editor->id && ! $newest->kept && ! $newest->unkept
            && WhatIsKept::item($item)->grows($newest->started_at, $newest->saved_at)
            && ! $newest->isHeldOnTo();
    }

    /**
     * A state shows pictures of its own item and no others, by whatever road it comes.
     *
     * @throws ValidationException
     */
    private function ownPictures(Item $item, Kind $kind, ChangeSet $changes): void
    {
        $new = [];
        foreach ($changes->changes as $change) {
            if ($change->after !== null) {
                array_push(
                    $new,
                    ...array_diff($kind->chunksOf($change->after), $change->before === null ? [] : $kind->chunksOf($change->before)),
                );
            }
        }
        $new = array_values(array_unique($new));
        if (
            $new !== []
            && array_diff($new, Picture::query()->where('item_id', $item->pictured())->whereIn('chunk', $new)->pluck('chunk')->all()) !== []
        ) {
            throw ValidationException::withMessages(['content' => __('problems.no_such_picture')]);
        }
    }

    /** What is other than in the newest state. */
    private function changesSince(Item $item, Written $written): ChangeSet
    {
        $grid = Kinds::named($item->kind)->grid();
        $excerpt = $grid === null ? null : Excerpt::of($this->states, $grid, $item->root, $written->root);

        return $excerpt->changes ?? TreeCompare::of($this->states->tree($item->root), $this->states->tree($written->root));
    }

    /**
     * @param  list<Statement>  $statements
     * @return array{code: string, values: array<string, string|int>, more: int}
     */
    private function facts(array $statements): array
    {
        // What followed by itself is no change of its own.
        $made = array_values(array_filter($statements, fn (Statement $statement) => ! $statement->isConsequence()));
        $statements = $made === [] ? $statements : $made;
        $most = Statements::mostTelling($statements);

        return $most === null ? ['code' => 'nothing', 'values' => [], 'more' => 0] : [...$most->fact(), 'more' => count($statements) - 1];
    }

    /** @return list<array{type: string, part: string, evidence: array<string, string|int|float>}>|null */
    private function unusual(Item $item, PartTree $before, PartTree $after, ChangeSet $changes, ?string $beforeRoot): ?array
    {
        $broken = $beforeRoot === null ? [] : $item->room(Rules::class)->breaks($item, $before, $after, $changes, $beforeRoot);
        $found = UnusualChanges::in(Kinds::named($item->kind), $before, $after, $changes);

        return $found === [] && $broken === []
            ? null
            : [
                ...$broken,
                ...array_map(
                    fn (UnusualChange $change) => [
                        'type' => $change->type->value,
                        'part' => $change->field === null ? $change->ids[0] : "{$change->ids[0]}/{$change->field}",
                        'evidence' => $change->evidence,
                    ],
                    $found,
                ),
            ];
    }

    /**
     * Of a large table the numbers that stand out of their columns.
     *
     * @return list<array{type: string, part: string, evidence: array<string, string|int|float>}>|null
     */
    private function unusualIn(Item $item, Grid $grid, Excerpt $excerpt, string $before): ?array
    {
        if ($grid->isOneTable) {
            // Of a large dataset what hangs on its fields is looked at.
            return $item->room(Rules::class)->breaks($item, $excerpt->old, $excerpt->new, $excerpt->changes, $before) ?: null;
        }
        $columns = NumberColumns::of($this->states, $grid, $excerpt, $before);

        return $columns === null
            ? null
            : $this->unusual($item, $columns[0], $columns[1], TreeCompare::of($columns[0], $columns[1]), $before);
    }

    /**
     * Who wrote what a version holds that takes several people in: what the one who writes now leaves as it is, is still those people's; a
     * value that they write over is theirs, and of what holds more than a value it is not known any more which of them wrote what.
     *
     * @return array<string, non-empty-list<int>> part => people, where it is not the one who writes now alone
     */
    private function writers(Item $item, Version $grown, User $editor, Written $written): array
    {
        $now = Touched::by($this->changesSince($item, $written), Kinds::named($item->kind));
        $writers = [];
        foreach (['touches', 'shared_touches'] as $table) {
            foreach (DB::table($table)->where(['item_id' => $item->id, 'number' => $grown->number])->get(['part', 'user_id']) as $row) {
                $part = (string) $row->part;
                if (! isset($now[$part]) || ($item->form_id === null && ! str_contains($part, '/'))) {
                    $writers[$part] = array_values(
                        array_unique([...isset($now[$part]) ? [$editor->id] : [], ...$writers[$part] ?? [], (int) $row->user_id]),
                    );
                }
            }
        }

        return $writers;
    }

    /** @return array<string, array{int, int|null}> see {@see Compared} */
    private function touched(Kind $kind, ChangeSet $changes, PartTree $after): array
    {
        $touched = [];
        foreach (Touched::by($changes, $kind) as $part => $what) {
            $touched[$part] = [$what, $after->wholePosition(explode('/', (string) $part)[0])];
        }
        ksort($touched, SORT_STRING);

        return $touched;
    }

    /**
     * @param  array<string, array{int, int|null}>  $touched
     * @param  array<string, non-empty-list<int>>  $writers  see {@see writers}
     */
    private function touch(Item $item, Version $version, array $touched, array $writers): void
    {
        DB::table('touches')
            ->where(['item_id' => $item->id, 'number' => $version->number])
            ->delete();
        $version->unkept
            && DB::table('shared_touches')
                ->where(['item_id' => $item->id, 'number' => $version->number])
                ->delete();
        $insert = DB::connection()
            ->getPdo()
            ->prepare('INSERT INTO touches (item_id, part, number, user_id, what, position) VALUES (?, ?, ?, ?, ?, ?)');
        // A model takes longer to tell a value than the database to keep a row.
        [$id, $number, $editor] = [$item->id, $version->number, $version->user_id];
        foreach ($touched as $part => [$what, $position]) {
            $people = $writers[$part] ?? [$editor];
            $insert->execute([$id, $part, $number, $people[0], $what, $position]);
            count($people) === 1
                || DB::table('shared_touches')->insert(
                    array_map(
                        fn (int $other): array => ['item_id' => $id, 'number' => $number, 'part' => $part, 'user_id' => $other],
                        array_slice($people, 1),
                    ),
                );
        }
    }

    private function tally(Item $item, User $editor, CarbonImmutable $at): void
    {
        DB::statement(
            'INSERT INTO activity (item_id, day, user_id, versions) VALUES (?, ?, ?, 1) ON CONFLICT (item_id, day, user_id) DO UPDATE SET versions = versions + 1',
            [$item->id, $at->format('Y-m-d'), $editor->id],
        );
    }
}

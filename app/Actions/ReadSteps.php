<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use Carbon\CarbonImmutable;
use Generator;
use MistyAttic\Core\Kinds\Dataset\Source;

/** Reads what became of an item since a dataset that follows it took it in. */
final readonly class ReadSteps
{
    /** Steps that are told apart when what is followed has moved on. */
    private const MOST_STEPS = 12;

    /** Parts of a spreadsheet that are read for each step. */
    private const QUICK = 4_000;

    /** Entries that are looked at for each step. */
    private const FEW_ENTRIES = 300;

    /** Columns of versions that are looked at; of a long history the rest would weigh. */
    private const NEEDED = ['id', 'item_id', 'number', 'user_id', 'root', 'saved_at'];

    public function __construct(private States $states, private ReadSource $sources) {}

    /**
     * What became of an item since a dataset took it in last, step by step: what one person did on a day is one step, and the last
     * one is how it is now.
     *
     * @return Generator<array{Source, User, CarbonImmutable, int}> by whom and when, and the version of the item then
     */
    public function handle(Item $source, Item $dataset): Generator
    {
        $isForm = $source->kind === 'form';
        $ends = self::ends($isForm ? $this->sinceInForm($source, $dataset) : $this->sinceInSheet($source, $dataset));
        foreach (array_slice($ends, -self::MOST_STEPS, -1) as [$who, $at, $version]) {
            $read = $isForm ? $this->sources->item($source, null, $this->versionAt($source, $at), $at) : $this->sources->item($source, $dataset->source_tab, $version);
            if ($read !== null) {
                yield [$read, $who, $at, $version->number ?? $source->head];
            }
        }
        $newest = $source->versions()->with('user')->where('number', $source->head)->firstOrFail();
        [$who, $at] = $ends[count($ends) - 1] ?? [$newest->user, $newest->saved_at];
        $read = $this->sources->item($source, $dataset->source_tab, null);
        if ($read !== null) {
            yield [$read, $who, $at, $source->head];
        }
    }

    /**
     * Of what one person did on one day in a row, the last.
     *
     * @param  list<array{User, CarbonImmutable, Version|null}>  $events
     * @return list<array{User, CarbonImmutable, Version|null}>
     */
    private static function ends(array $events): array
    {
        $ends = [];
        foreach ($events as $at => [$who, $when, $version]) {
            $next = $events[$at + 1] ?? null;
            if ($next === null || $next[0]->id !== $who->id || ! $next[1]->isSameDay($when)) {
                $ends[] = [$who, $when, $version];
            }
        }

        return $ends;
    }

    /** @return list<array{User, CarbonImmutable, Version}> in their order; the newest alone if reading each would take long */
    private function sinceInSheet(Item $sheet, Item $dataset): array
    {
        $known = (int) $sheet->versions()->where('root', (string) $dataset->source_state)->max('number');
        $versions = $sheet->versions()->select(self::NEEDED)->with('user')->where('number', '>', $this->states->count($sheet->root) > self::QUICK ? $sheet->head - 1 : $known)->orderBy('number')->get();

        return array_values($versions->map(fn (Version $version) => [$version->user, $version->saved_at, $version])->all());
    }

    /** @return list<array{User, CarbonImmutable, Version|null}> what was done to a form and its entries, by time */
    private function sinceInForm(Item $form, Item $dataset): array
    {
        $last = $dataset->versions()->where('number', $dataset->head)->firstOrFail()->saved_at->format('Y-m-d H:i:s');
        // Entries that wait for a yes are seen as they were agreed to, which time alone does not tell.
        $alone = $form->shelf->asks_entries || $form->entries()->count() > self::FEW_ENTRIES;
        $versions = Version::query()->select(self::NEEDED)->with('user')->where(fn ($query) => $query->where('item_id', $form->id)->orWhereIn('item_id', $form->entries()->select('id')))
            ->where('saved_at', '>=', $last)->orderByDesc('saved_at')->orderByDesc('id')->when($alone, fn ($query) => $query->limit(1))->get()
            ->map(fn (Version $version) => [$version->user, $version->saved_at, $version->item_id === $form->id ? $version : null]);
        $gone = $form->entries()->with('deleter')->where('deleted_at', '>=', $last)->orderByDesc('deleted_at')->when($alone, fn ($query) => $query->limit(1))->get()
            ->map(fn (Item $entry) => [$entry->deleter ?? User::visitor(), $entry->deleted_at ?? CarbonImmutable::now(), null]);
        $events = array_values($versions->reverse()->toBase()->concat($gone->reverse()->toBase())->sortBy(fn (array $event) => $event[1]->getTimestamp())->all());

        return $alone ? array_slice($events, -1) : $events;
    }

    private function versionAt(Item $item, CarbonImmutable $moment): ?Version
    {
        return $item->versions()->where('saved_at', '<=', $moment->format('Y-m-d H:i:s'))->orderByDesc('number')->first();
    }
}

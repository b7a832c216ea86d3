<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\SmallPictures;
use App\Store\States;
use App\View\Sources\Files;
use App\View\Sources\SourceView;
use Closure;
use MistyAttic\Core\Compare\Telling\Statements;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Miniature\Sample;

/**
 * How one looks back at a kind of items: this is the plain way, its parts below each other, with their texts and fields. A kind that is
 * looked at in another way has its own.
 */
class Past
{
    /** The view that shows a state, a comparison, and who wrote what. */
    public const VIEW = 'history.state';

    /** The view of the parts in it: the plain one has every field, and what is below. */
    public const BLOCKS = 'history.plain-blocks';

    /** Whether there is a view of who wrote what. */
    public const TELLS_AUTHORS = true;

    /** How a part is to what its place is called by. */
    public const STANDS = 'at';

    /** Whether a state holds what follows from changes that were made with it. */
    public const CALCULATES = false;

    public function __construct(protected readonly States $states) {}

    /** @return array<string, mixed> what the view needs */
    public function of(LookedAt $at): array
    {
        $pieces = new Pieces($at->address->piece, $at->address->part);

        return ['pieces' => $pieces]
            + match (true) {
                static::TELLS_AUTHORS && $at->address->view === 'who' && $at->item->sight === null => $this->written($at, $pieces),
                $at->asItWas() => ['blocks' => Blocks::plain($at->kind, $at->comparison->old, $pieces)],
                $at->address->layout === 'source' => [
                    'source' => new SourceView($at->item->room(Files::class), $at->comparison->old, $at->comparison->new),
                ],
                default => ['blocks' => Blocks::compared($at->kind, $at->comparison, $pieces), 'earlier' => $at->comparison->old],
            };
    }

    /** Two versions compared, part by part; of a kind whose parts say little, as what its content is read as. */
    public function compared(Item $item, Version $from, Version $to, HistoryAddress $address, Phrases $phrases): Comparison
    {
        return new Comparison($item, $from, $to, $this->states, $phrases, whole: $this->needsAll($address));
    }

    /** Whether there is a view of who wrote what: readers are not told who wrote the drafts. */
    public function tellsAuthors(LookedAt $at): bool
    {
        return static::TELLS_AUTHORS && $at->item->sight === null;
    }

    /**
     * The switches above it.
     *
     * @return list<array{label: string, choices: list<array{string, array{layout?: string, rows?: string, show?: string}, bool}>}>
     *     what each of them says, leads to, and whether that is so now
     */
    public function switches(LookedAt $at): array
    {
        return $at->address->view !== 'changed'
            ? []
            : [
                [
                    'label' => (string) __('history.switches.layout'),
                    'choices' => self::choices($at->address->layout, 'layout', ['together', 'side', 'source']),
                ],
            ];
    }

    /** Whether a part that changed is on the page: what came is not in the earlier state, and in the source nothing is a part. */
    public function isShown(LookedAt $at, string $part): bool
    {
        [$id, $comparison] = [explode('/', $part)[0], $at->comparison];

        return match ($id === Statements::TITLE ? 'title' : $at->address->view) {
            'title' => true,
            'was' => $comparison->old->has($id),
            'who' => $comparison->new->has($id),
            default => $at->address->layout !== 'source',
        };
    }

    /**
     * Where the changes are seen that are not on the page.
     *
     * @param  array<ChangeLine>  $lines
     * @param  array<string, mixed>  $shown  what {@see of} gave
     * @return array<string, string> addresses by what {@see ChangeLine::part} says
     */
    public function leads(array $lines, LookedAt $at, array $shown): array
    {
        $leads = [];
        foreach ($lines as $line) {
            $leads[$line->part()] = $this->leadsTo($line, $at, $shown);
        }

        return array_filter($leads, is_string(...));
    }

    /**
     * In What changed, in another tab or piece of it; null when it is on the page.
     *
     * @param  array<string, mixed>  $shown
     */
    private function leadsTo(ChangeLine $line, LookedAt $at, array $shown): ?string
    {
        $isLacking = ($shown['sheet'] ?? null)?->lacks($line) === true;
        $piece = ($shown['pieces'] ?? null)?->of($line->part());
        $other = [
            ...$this->isShown($at, $line->part()) ? [] : ['view' => 'changed', 'layout' => 'together'],
            ...$isLacking ? ['tab' => $line->table()] : [],
            ...$piece === null ? [] : ['piece' => $piece],
        ];

        return $other === [] ? null : $at->address->with($other);
    }

    /** Whether marks on it can be switched off. */
    public function canBeUnmarked(HistoryAddress $address): bool
    {
        return false;
    }

    /** Whether both states are needed whole: a single one is shown by what is in sight. */
    public function needsAll(HistoryAddress $address): bool
    {
        return $address->view === 'changed' && $address->rows === 'all';
    }

    /**
     * What besides comes back or changes with a restore, for its plan.
     *
     * @return array<string, mixed>
     */
    public function plan(Item $item, Version $version, User $person, Phrases $phrases): array
    {
        return ['hanging' => $this->hanging($item, $person)];
    }

    /**
     * Its tables, which can be taken one by one.
     *
     * @return array<string, string> names by ids
     */
    public function tabs(PartTree $tree): array
    {
        return [];
    }

    /** What its miniature shows besides its parts: small copies of its pictures. */
    public function fromAfar(Item $item, Version $version, User $person, Sample $sample): Sample
    {
        $kind = $item->kind();

        return $sample->with(
            pictures: app(SmallPictures::class)->of(array_merge(...array_map($kind->chunksOf(...), $sample->parts), ...[[]])),
        );
    }

    /** What whoever copies a version out should know of what the copy will show; nothing where it shows what stood then. */
    public function copied(Version $version): ?string
    {
        return null;
    }

    /** What a part says, of a kind whose parts say it otherwise than by a text. */
    public function says(Part $part): ?string
    {
        return null;
    }

    /**
     * What becomes of what hangs on the parts of lines of a plan or a comparison, in words.
     *
     * @param  array<int, ChangeLine>  $entries
     * @param  'in_sight'|'out_of_sight'  $way
     * @return array<int, string> of those lines on whose parts something hangs
     */
    public function asides(Item $item, array $entries, string $way): array
    {
        return [];
    }

    /** All that happened to one part. */
    public function story(Item $item, string $part, Phrases $phrases): Story
    {
        return (new PartStory($item, $part, $this->states, $phrases))->story;
    }

    /** @return list<array{report: Item, widget: Part, fields: list<string>}> what is drawn from it, of what somebody may see */
    public function hanging(Item $item, User $person): array
    {
        return [];
    }

    /**
     * @param  Closure(): PartTree  $now
     * @return list<string> the changes that bring a part back with what is below it, as a state had it
     */
    public function back(PartTree $then, Closure $now, string $part): array
    {
        return array_merge(...array_map(fn (Part $each) => ["added:{$each->id}", "edited:{$each->id}"], $then->subtree($part)));
    }

    /** @return array<string, mixed> */
    protected function written(LookedAt $at, ?Pieces $pieces): array
    {
        $written = new Authorship($at->item, $at->comparison->to, $at->comparison->new, $this->states);

        return ['written' => $written, 'blocks' => Blocks::written($at->kind, $at->comparison->new, $written, $pieces)];
    }

    /**
     * @return list<array{label: string, choices: list<array{string, array{layout?: string, rows?: string, show?: string}, bool}>}>
     *     the switch of a kind that is looked at row by row
     */
    protected static function rows(HistoryAddress $address): array
    {
        return $address->view !== 'changed'
            ? []
            : [
                [
                    'label' => (string) __('history.switches.layout'),
                    'choices' => self::choices($address->rows, 'rows', ['changed', 'all']),
                ],
            ];
    }

    /**
     * @param  'layout'|'rows'|'show'  $name
     * @param  list<string>  $values
     * @param  array<string, string>  $said  what it is called where all kinds call it something else, by value
     * @return list<array{string, array{layout?: string, rows?: string, show?: string}, bool}>
     */
    protected static function choices(string $now, string $name, array $values, array $said = []): array
    {
        return array_map(
            fn (string $value): array => [$said[$value] ?? (string) __("history.switches.{$value}"), [$name => $value], $now === $value],
            $values,
        );
    }
}

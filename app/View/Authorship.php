<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Compare\ChangeType;
use MistyAttic\Core\Compare\Span;
use MistyAttic\Core\Compare\SpanKind;
use MistyAttic\Core\Compare\TextAuthors;
use MistyAttic\Core\Compare\TextCompare;
use MistyAttic\Core\Compare\Words;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;
use MistyAttic\Core\History\Answerable;
use MistyAttic\Core\History\Touch;

/** Who wrote each word of a document or a page last, up to a version; reads only the versions that touched a text. */
final class Authorship
{
    /** The most earlier texts that are read; what would need more is told by whole parts. */
    private const MOST_READINGS = 600;

    /** Whether some part is told as a whole, by who wrote in it last, to bound the work. */
    public bool $coarse = false;

    /** @var array<string, list<array{Span, User|null}>> part => its text, by who wrote it */
    private array $spans = [];

    /** @var array<string, list<Touch>> part => runs of touches that made what stands */
    private array $runs = [];

    /** @var array<int, string> version => its root */
    private array $roots;

    /** @var Collection<int, User> by id */
    private Collection $users;

    /** @var array<int, int> editor => words that stand */
    private array $counts = [];

    private Words $words;

    private int $readings = 0;

    public function __construct(Item $item, Version $until, PartTree $tree, private readonly States $states)
    {
        $this->words = new Words;
        foreach (self::touches($item, $until->number, $tree) as $part => $touches) {
            $this->runs[$part] = Answerable::runs($touches);
        }
        $runs = array_merge(...array_values($this->runs), ...[[]]);
        $this->roots = [];
        foreach (array_chunk(array_values(array_unique(array_column($runs, 'number'))), 500) as $numbers) {
            $this->roots += Version::query()->where('item_id', $item->id)->whereIn('number', $numbers)->pluck('root', 'number')->all();
        }
        $this->users = User::query()->whereIn('id', array_unique(array_column($runs, 'editor')))->get()->keyBy('id');
        foreach ($tree->parts as $part) {
            if (isset($part->fields['text'])) {
                $this->spans[$part->id] = $this->told($part);
            }
        }
    }

    /** @return list<array{Span, User|null}> the text of a part, where its author changes cut in pieces */
    public function spans(string $part): array
    {
        return $this->spans[$part] ?? [];
    }

    /** Who wrote last in a part. */
    public function last(string $part): ?User
    {
        $runs = $this->runs[$part] ?? [];

        return $runs === [] ? null : $this->users->get($runs[count($runs) - 1]->editor);
    }

    /** @return list<array{User, int}> those who wrote what stands, with how many words; most first */
    public function people(): array
    {
        arsort($this->counts);

        return array_map(fn (int $editor) => [$this->users->get($editor) ?? new User, $this->counts[$editor]], array_keys($this->counts));
    }

    /** @return array<string, list<Touch>> part => the touches that made what stands of it, ascending */
    private static function touches(Item $item, int $until, PartTree $tree): array
    {
        $sources = Version::query()->where('item_id', $item->id)->where('number', '<=', $until)->whereNotNull('source')->pluck('source', 'number')->map(fn (mixed $number) => (int) $number)->all();
        $touches = [];
        $rows = DB::table('touches')->where('item_id', $item->id)->where('number', '<=', $until)->orderBy('number')->get(['part', 'number', 'user_id', 'what', 'position']);
        foreach ($rows as $row) {
            $touch = Comparison::touch($row);
            // A move, also one that was brought back, leaves a text as it is.
            if ($tree->has($touch->part) && ($touch->did(ChangeType::Added) || $touch->did(ChangeType::Edited))) {
                $touches[$touch->part][] = $touch;
            }
        }

        return array_map(fn (array $of) => Answerable::standing($of, $sources), $touches);
    }

    /** @return list<array{Span, User|null}> */
    private function told(Part $part): array
    {
        $text = $part->richText();
        $runs = $this->runs[$part->id] ?? [];
        $editors = array_column($runs, 'editor');
        $last = $editors === [] ? null : $editors[count($editors) - 1];
        $states = count($editors) > 1 ? $this->statesAfter($runs) : null;
        if ($states === null) {
            $spans = [new Span(SpanKind::Same, $text, null, $last)];
        } else {
            $steps = TextAuthors::through([new RichText, ...$states, $text], $this->words)->addedBy;
            $spans = TextCompare::of(new RichText, $text, $this->words)->spans(array_map(fn (int $step) => $editors[$step], $steps), [], $last);
        }
        $told = [];
        foreach (self::withoutCrumbs($spans) as [$editor, $runs]) {
            $piece = new RichText($runs);
            if ($editor !== null) {
                $this->counts[$editor] = ($this->counts[$editor] ?? 0) + $this->words->count($piece);
            }
            $told[] = [new Span(SpanKind::Same, $piece), $editor === null ? null : $this->users->get($editor)];
        }

        return $told;
    }

    /**
     * A full stop or a space belongs to what it stands behind, whoever typed it.
     *
     * @param  list<Span>  $spans
     * @return list<array{int|null, list<Run>}>
     */
    private static function withoutCrumbs(array $spans): array
    {
        $pieces = [];
        $open = null;
        foreach ($spans as $span) {
            $isCrumb = preg_match('/[\p{L}\p{N}]/u', $span->text->text()) !== 1;
            if ($open !== null && ($isCrumb || $open[0] === $span->step)) {
                $open[1] = [...$open[1], ...$span->text->runs];

                continue;
            }
            if ($open !== null) {
                $pieces[] = $open;
            }
            $open = [$span->step, $span->text->runs];
        }

        return $open === null ? [] : [...$pieces, $open];
    }

    /**
     * @param  list<Touch>  $runs
     * @return list<RichText>|null the text after each but the last, which is there; null when that is too much to read
     */
    private function statesAfter(array $runs): ?array
    {
        $this->readings += count($runs) - 1;
        if ($this->readings > self::MOST_READINGS) {
            $this->coarse = true;

            return null;
        }
        $texts = [];
        foreach (array_slice($runs, 0, -1) as $touch) {
            $part = $touch->position === null || ! isset($this->roots[$touch->number]) ? null : $this->states->part($this->roots[$touch->number], $touch->position);
            // Of a version that is no more, the next one answers for what it wrote.
            $texts[] = $part?->richText() ?? $texts[count($texts) - 1] ?? new RichText;
        }

        return $texts;
    }
}

<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\Version;
use App\Store\States;
use App\Store\TouchesBetween;
use App\Store\Writers;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Compare\Changes\ChangeType;
use MistyAttic\Core\Compare\Texts\TextAuthors;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\History\Answerable;
use MistyAttic\Core\History\Touch;
use MistyAttic\Core\Store\Nodes;

/**
 * Who typed each word of a text and in which version, wherever the word stood then: restores are seen through, and words that
 * were split off, joined or pasted are followed to where they came from. Reads only the versions that touched the text.
 */
final class WordAuthors
{
    /** The most earlier texts that are read. */
    private const MOST_READINGS = 600;

    /** Whether something could not be told for the work that it would be. */
    public bool $coarse = false;

    private int $readings = 0;

    /** What was read of the states so far. */
    private ?Nodes $nodes = null;

    private readonly Words $words;

    private readonly Writers $writers;

    /** @var array<string, list<Touch>> part => what added or edited it, ascending */
    private array $touches = [];

    private bool $whole = false;

    /** @var array<int, int>|null version => the earlier one that it brought back */
    private ?array $sources = null;

    /** @var array<int, string> version => its root */
    private array $roots = [];

    /** @var array<string, array<int, list<\stdClass>>> part => version => what came into it from elsewhere */
    private array $carried = [];

    /** @var array<string, RichText|null> root and position => the text that stood there */
    private array $texts = [];

    /** @var array<string, list<array{int, int}>|null> */
    private array $known = [];

    public function __construct(private readonly Item $item, private readonly int $until, private readonly States $states)
    {
        $this->words = new Words;
        $this->writers = new Writers($item);
        foreach (DB::table('carried')->where('item_id', $item->id)->where('number', '<=', $until)->orderBy('number')->get() as $row) {
            $this->carried[(string) $row->part][(int) $row->number][] = $row;
        }
    }

    /** Reads the touches of all parts at once, instead of one by one. */
    public function readAll(): void
    {
        $this->whole = true;
        foreach ($this->query()->orderBy('number')->get(['part', 'number', 'user_id', 'what', 'position']) as $row) {
            $this->touches[(string) $row->part][] = TouchesBetween::touch($row);
        }
        $this->touches = $this->writers->tell($this->touches);
        $runs = array_map(fn (string $part) => $this->runs($part, $this->until), array_map(strval(...), array_keys($this->touches)));
        // The last of each is the text that is shown, and is at hand.
        $this->read(
            array_slice(array_merge(...array_map(fn (array $runs) => array_slice($runs, 0, -1), $runs), ...[[]]), 0, self::MOST_READINGS),
        );
    }

    /** @return list<int> all who wrote, once {@see readAll} was asked for */
    public function editors(): array
    {
        return array_values(array_unique(array_column(array_merge([], ...array_values($this->touches)), 'editor')));
    }

    /** @param list<Touch> $runs the texts that they left are read at once */
    private function read(array $runs): void
    {
        $this->fetchRoots($runs);
        $places = [];
        foreach ($runs as $touch) {
            if ($touch->position !== null && isset($this->roots[$touch->number])) {
                $places[$this->roots[$touch->number].' '.$touch->position] = [$this->roots[$touch->number], $touch->position];
            }
        }
        $places = array_diff_key($places, $this->texts);
        $found = $places === [] ? [] : $this->states->partsAt(array_values($places), $this->nodes ??= $this->states->nodes());
        foreach (array_keys($places) as $at => $place) {
            $this->texts[$place] = $found[$at]?->richText();
        }
    }

    /** @param list<Touch> $runs */
    private function fetchRoots(array $runs): void
    {
        $wanted = array_diff_key(array_flip(array_column($runs, 'number')), $this->roots);
        foreach (array_chunk(array_keys($wanted), 500) as $numbers) {
            $found = Version::query()->where('item_id', $this->item->id)->whereIn('number', $numbers)->pluck('root', 'number')->all();
            $this->roots += $found;
        }
    }

    /** @return array<int, int> */
    private function sources(): array
    {
        return $this->sources ??= Version::query()
            ->where('item_id', $this->item->id)
            ->where('number', '<=', $this->until)
            ->whereNotNull('source')
            ->pluck('source', 'number')
            ->map(fn (mixed $number) => (int) $number)
            ->all();
    }

    /**
     * The touches that made a text as a version left it, one for each run of an editor.
     *
     * @return list<Touch>
     */
    public function runs(string $part, int $number): array
    {
        $touches = array_values(array_filter($this->touchesOf($part), fn (Touch $touch) => $touch->number <= $number));
        $ends = $this->carried[$part] ?? [];
        foreach ($touches as $at => $touch) {
            if (isset($this->sources()[$touch->number])) {
                // What was brought back stands for itself, and so does the state that it is.
                $ends[$touch->number] = $ends[$touches[$at - 1]->number ?? 0] = $ends[
                    $this->lastBefore($touches, $this->sources()[$touch->number])
                ] = true;
            }
        }

        return Answerable::runs($touches, $ends);
    }

    /** @param list<Touch> $touches */
    private function lastBefore(array $touches, int $number): int
    {
        $last = 0;
        foreach ($touches as $touch) {
            $last = $touch->number <= $number ? $touch->number : $last;
        }

        return $last;
    }

    /**
     * @param  RichText|null  $text  the text as that version left it, if it is at hand
     * @return list<array{int, int}>|null editor and version for each word; null when it can't be told
     */
    public function at(string $part, int $number, ?RichText $text = null): ?array
    {
        $runs = $this->runs($part, $number);
        if ($runs === []) {
            return null;
        }
        $key = $part.' '.$runs[count($runs) - 1]->number;

        return $this->known[$key] ??= $this->told($part, $runs, $text);
    }

    /**
     * Where a word came from that came into a text with a version.
     *
     * @return array{int, int}|null editor and version that wrote it; null when it was written there
     */
    public function cameFrom(string $part, int $number, int $position): ?array
    {
        foreach ($this->carried[$part][$number] ?? [] as $row) {
            if ($position >= $row->at && $position < $row->at + $row->length) {
                return $this->at((string) $row->source_part, (int) $row->source_number)[$row->source_at + $position - $row->at] ?? null;
            }
        }

        return null;
    }

    /** @return array<int, list<\stdClass>> the versions that carried something into a text */
    public function carriedInto(string $part): array
    {
        return $this->carried[$part] ?? [];
    }

    /**
     * @param  non-empty-list<Touch>  $runs
     * @return list<array{int, int}>|null
     */
    private function told(string $part, array $runs, ?RichText $text): ?array
    {
        if (count($runs) === 1 && $text !== null && ! isset($this->carried[$part][$runs[0]->number])) {
            // All of it is one editor's.
            return array_fill(0, count($this->words->cut($text->text())), [$runs[0]->editor, $runs[0]->number]);
        }
        $this->readings += count($runs) - ($text === null ? 0 : 1);
        if ($this->readings > self::MOST_READINGS) {
            $this->coarse = true;

            return null;
        }
        $this->read($text === null ? $runs : array_slice($runs, 0, -1));
        $states = [];
        foreach ($runs as $at => $touch) {
            if ($text !== null && $at === count($runs) - 1) {
                $states[] = $text;

                continue;
            }
            // Of a version that is no more, the next one answers for what it wrote.
            $states[] = $this->texts[($this->roots[$touch->number] ?? '').' '.$touch->position]
            ?? ($states[count($states) - 1] ?? new RichText);
        }
        $restored = [];
        $steps = array_flip(array_column($runs, 'number'));
        foreach ($runs as $at => $touch) {
            $from = isset($this->sources()[$touch->number])
                ? $steps[$this->lastBefore($runs, $this->sources()[$touch->number])] ?? null
                : null;
            $restored += $from === null ? [] : [$at => $from];
        }
        $authors = TextAuthors::through([new RichText, ...$states], $this->words, $restored);
        $told = [];
        foreach ($authors->addedBy as $at => $step) {
            $touch = $runs[$step];
            $told[$at] = $this->cameFrom($part, $touch->number, $authors->addedAt[$at]) ?? [$touch->editor, $touch->number];
        }

        return array_values($told);
    }

    /** @return list<Touch> */
    private function touchesOf(string $part): array
    {
        if (! $this->whole && ! isset($this->touches[$part])) {
            $this->touches += $this->writers->tell([
                $part => array_values(
                    $this->query()
                        ->where('part', $part)
                        ->orderBy('number')
                        ->get(['part', 'number', 'user_id', 'what', 'position'])
                        ->map(TouchesBetween::touch(...))
                        ->all(),
                ),
            ]);
        }

        return $this->touches[$part] ?? [];
    }

    /** A move, also one that was brought back, leaves a text as it is. */
    private function query(): Builder
    {
        return DB::table('touches')
            ->where('item_id', $this->item->id)
            ->where('number', '<=', $this->until)
            ->whereRaw('what & ? != 0', [ChangeType::Added->bit() | ChangeType::Edited->bit()]);
    }
}

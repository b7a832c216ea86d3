<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\Store\Writers;
use Illuminate\Support\Collection;
use MistyAttic\Core\Compare\Texts\Span;
use MistyAttic\Core\Compare\Texts\SpanKind;
use MistyAttic\Core\Compare\Texts\TextCompare;
use MistyAttic\Core\Compare\Texts\Words;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;

/** Who wrote each word of a document or a page last, up to a version: see {@see WordAuthors}. */
final class Authorship
{
    /** Whether some part is told as a whole, by who wrote in it last, to bound the work. */
    public bool $coarse = false;

    /** @var array<string, list<array{Span, User|null}>> part => its text, by who wrote it */
    private array $spans = [];

    /** @var Collection<int, User> by id */
    private Collection $users;

    /** @var array<int, int> editor => words that are still there */
    private array $counts = [];

    private readonly Words $words;

    private readonly WordAuthors $authors;

    public function __construct(Item $item, private readonly Version $until, PartTree $tree, States $states)
    {
        $this->words = new Words;
        $this->authors = new WordAuthors($item, $until->number, $states);
        $this->authors->readAll();
        $this->users = Writers::people($this->authors->editors());
        foreach ($tree->parts as $part) {
            if (isset($part->fields['text'])) {
                $this->spans[$part->id] = $this->told($part);
            }
        }
        $this->coarse = $this->authors->coarse;
    }

    /** @return list<array{Span, User|null}> the text of a part, where its author changes cut in pieces */
    public function spans(string $part): array
    {
        return $this->spans[$part] ?? [];
    }

    /** Who wrote last in a part. */
    public function last(string $part): ?User
    {
        $runs = $this->authors->runs($part, $this->until->number);

        return $runs === [] ? null : $this->users->get($runs[count($runs) - 1]->editor);
    }

    /** @return list<array{User, int}> those who wrote what is, with how many words; most first */
    public function people(): array
    {
        arsort($this->counts);

        return array_map(fn (int $editor) => [$this->users->get($editor) ?? new User, $this->counts[$editor]], array_keys($this->counts));
    }

    /** @return list<array{Span, User|null}> */
    private function told(Part $part): array
    {
        $text = $part->richText();
        $authors = $this->authors->at($part->id, $this->until->number, $text);
        $editors = $authors === null ? [$this->last($part->id)?->id] : array_column($authors, 0);
        $spans = count(array_unique($editors)) === 1
            ? [new Span(SpanKind::Same, $text, null, $editors[0])]
            : TextCompare::of(new RichText, $text, $this->words)->spans($editors);
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
     * A full stop or a space belongs to what it is behind, whoever typed it.
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
}

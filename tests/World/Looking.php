<?php

declare(strict_types=1);

namespace Tests\World;

use App\Models\Cause;
use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\View\Sources\Files;
use DOMDocument;
use DOMElement;
use DOMXPath;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Collection;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\File\TextFile;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\JsonReader;
use MistyAttic\Core\Kinds\Cell;

/** Somebody looks back at an item; wherever a page says who wrote or removed a word, the word's tag agrees. */
final readonly class Looking
{
    public function __construct(private World $world, private Item $item, private string $kind) {}

    public function at(TestCase $http, Chance $chance): void
    {
        $kept = $this->world->kept($this->item);
        $at = $chance->under(count($kept));
        [$from, $to] = [$kept[$at], $kept[min(count($kept) - 1, $at + $chance->of([0, 1, 3, 1000]))]];
        $see = fn (string $route, array $more) => (string) $this->world
            ->allowed($http->get(route($route, [$this->item, ...$more])), "looking at {$route} ".json_encode($more))
            ->getContent();
        $this->writers($see('history', ['from' => $from, 'to' => $to, 'view' => 'who', 'rows' => 'all']));
        $this->marks($see('history', ['from' => $from, 'to' => $to]), $from, $to);
        $see('history', ['from' => $from, 'to' => $to, 'view' => 'was']);
        if ($this->kind === 'spreadsheet') {
            $this->formulas($see('history', ['from' => $from, 'to' => $to, 'view' => 'was', 'show' => 'formulas']), $from);
            $this->formulas($see('history', ['from' => $from, 'to' => $to, 'view' => 'who', 'show' => 'formulas']), $to);
        }
        $see('list', []);
        $this->publishing($http, $to);
        $this->out($http, $to);
        $see('item', []);
        $parts = $this->world->states->tree($this->item->root)->parts;
        if ($parts !== []) {
            $part = $chance->of($parts);
            $see('part', [$part->id]);
            if ($part->role === 'row' && $part->fields !== []) {
                $see('cell', [$part->id, $chance->of(array_map(strval(...), array_keys($part->fields)))]);
            }
        }
    }

    private function state(int $number): PartTree
    {
        return $this->world->states->tree(
            (string) Version::query()
                ->where(['item_id' => $this->item->id, 'number' => $number])
                ->value('root'),
        );
    }

    /** Formulas of a state are spelled by the whole of it, however much of it is read. */
    private function formulas(string $html, int $number): void
    {
        $tree = $this->state($number);
        foreach ($this->nodes($html, '//td[@data-cell]') as $node) {
            [$row, $column] = explode('/', $node->getAttribute('data-cell'), 2);
            $part = $tree->find($row);
            $value = $part->fields[$column] ?? null;
            if ($part === null || ! Cell::isFormula($value)) {
                continue;
            }
            $spelled = $this->item->kind()->written($tree, $part, $value);
            trim($node->textContent) === trim($spelled)
                || throw Broken::law(
                    'A formula is told as people read it',
                    "{$row}/{$column} of {$number} is {$spelled}, and the page has {$node->textContent}",
                );
        }
    }

    /** What readers would see change if a version was published, which may go back to an earlier one. */
    private function publishing(TestCase $http, int $number): void
    {
        if (! $this->item->isPublishable() || $this->kind === 'entry') {
            return;
        }
        $page = $this->world->allowed($http->get(route('publish', [$this->item, $number])), 'looking at what readers will see', 403);
        $live = $this->item->live?->version->number ?? $number;
        if ($page->isOk() && $live < $number) {
            $this->marks((string) $page->getContent(), $live, $number);
        }
    }

    /** As JSON with ids, or to the byte. */
    private function out(TestCase $http, int $number): void
    {
        $tree = $this->state($number);
        $format = isset($this->item->room(Files::class)->named()['json']) ? 'json' : 'file';
        $answer = $this->world->allowed(
            $http->get(route('download', [$this->item, $number, $format])),
            "downloading {$number} as {$format}",
        );
        $isSame = $format === 'json'
            ? (new JsonReader)->read((string) $answer->getContent(), new FormatLimits)->tree->equals($tree)
            : $answer->streamedContent() === TextFile::bytes($tree);
        $isSame || throw Broken::law('What goes out comes in the same', "version {$number} of the {$this->kind}");
    }

    /** Who wrote what. */
    private function writers(string $html): void
    {
        $this->cells($html);
        foreach ($this->nodes($html, "//*[contains(concat(' ', @class, ' '), ' written ')]") as $node) {
            foreach (Ledger::tagsOf($node->textContent) as $tag => $unused) {
                $this->is((string) preg_replace('/^.*? by |, .*$/', '', $node->getAttribute('title')), $tag, 'wrote', [
                    Ledger::author($tag),
                    ...$this->world->ledger->restated[$this->kind][$tag] ?? [],
                ]);
            }
        }
    }

    /** Who wrote which cell. */
    private function cells(string $html): void
    {
        foreach ($this->nodes($html, "//td[contains(@class, 'is-theirs') and not(starts-with(@data-cell, 'rsum/'))]") as $node) {
            $tags = Ledger::tagsOf($node->textContent)
            + (preg_match('/^[1-9]\d{4,}$/', trim($node->textContent)) === 1 ? ['#'.trim($node->textContent) => true] : []);
            foreach ($tags as $tag => $unused) {
                $this->is(explode(',', $node->getAttribute('title'))[0], (string) $tag, 'wrote the cell', [Ledger::author((string) $tag)]);
            }
        }
    }

    /** What changed: what came was written by its author or brought back, what went was taken away by somebody who had seen it. */
    private function marks(string $html, int $from, int $to): void
    {
        $versions = Version::query()
            ->where('item_id', $this->item->id)
            ->where('number', '>', $from)
            ->where('number', '<=', $to)
            ->get(['user_id', 'cause']);
        $whose = fn (Collection $of): array => array_keys(
            array_filter($this->world->people, fn (User $person) => $of->contains('user_id', $person->id)),
        );
        $restorers = $whose($versions->whereNotIn('cause', [Cause::Wrote, Cause::Settled, Cause::Made]));
        $twice = $this->twice($to);
        foreach (['ins' => 'added', 'del' => 'removed'] as $mark => $did) {
            foreach ($this->nodes($html, "//{$mark}[@title]") as $node) {
                foreach (Ledger::tagsOf($node->textContent) as $tag => $unused) {
                    $allowed = $mark === 'ins'
                        ? [
                            Ledger::author($tag),
                            ...$this->world->ledger->restated[$this->kind][$tag] ?? [],
                            ...isset($twice[$tag]) || $this->stood($tag, $from) ? $whose($versions) : [],
                        ]
                        : array_keys($this->world->ledger->taken[$this->kind][$tag] ?? []);
                    $this->is(
                        (string) preg_replace('/^\w+ by /', '', $node->getAttribute('title')),
                        $tag,
                        "{$did} between {$from} and {$to}",
                        [...$allowed, ...$restorers],
                    );
                }
            }
        }
    }

    /** @return array<string, true> words that are in a version more than once: whoever joined what another went on with has copied them */
    private function twice(int $number): array
    {
        $tree = $this->state($number);
        preg_match_all(Pen::TAG, implode(' ', array_map(fn (Part $part): string => $part->record(), $tree->parts)), $found);

        return array_fill_keys(array_keys(array_filter(array_count_values($found[0]), fn (int $count): bool => $count > 1)), true);
    }

    /**
     * Whether a word was in a version before: whoever brings it back, by joining with what holds it while somebody else takes it out, is the
     * one who did.
     */
    private function stood(string $tag, int $until): bool
    {
        foreach ($this->world->kept($this->item) as $number) {
            if ($number <= $until && isset(Ledger::tags($this->state($number))[$tag])) {
                return true;
            }
        }

        return false;
    }

    /** @param list<string> $allowed */
    private function is(string $name, string $tag, string $did, array $allowed): void
    {
        foreach ($allowed as $who) {
            $person = $this->world->people[$who] ?? null;
            if ($person !== null && array_intersect(explode(' or ', $name), [$person->name, $person->firstName()]) !== []) {
                return;
            }
        }
        throw Broken::law(
            'A word belongs to whoever typed it',
            "of the {$this->kind} it is said that {$name} {$did} {$tag}, which can only be of ".implode(', ', $allowed),
        );
    }

    /** @return list<DOMElement> */
    private function nodes(string $html, string $path): array
    {
        $document = new DOMDocument;
        @$document->loadHTML('<?xml encoding="UTF-8">'.$html, LIBXML_NOERROR | LIBXML_NONET);
        $nodes = (new DOMXPath($document))->query($path);

        return $nodes === false ? [] : array_values(array_filter(iterator_to_array($nodes), fn ($node) => $node instanceof DOMElement));
    }
}

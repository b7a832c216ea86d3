<?php

declare(strict_types=1);

namespace Tests\World;

use App\Kinds\Dataset\Following\ReadSource;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\Version;
use App\Sharing\MergePeople;
use App\Store\Lives\Life;
use App\Store\Lives\LifeBlocks;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Cell;

/** The promises, held against everything that is stored. */
final class Laws
{
    /** @var array<string, array<string, true>> root => tags */
    private array $tags = [];

    /** @var array<string, array<string, true>> item => tags whose first version was looked at */
    private array $known = [];

    /** @var array<string, int> item => the version up to which that was done */
    private array $until = [];

    public function __construct(private readonly World $world) {}

    public function hold(): void
    {
        foreach ($this->world->items as $kind => $item) {
            $item->refresh();
            $versions = array_values(Version::query()->with('user')->where('item_id', $item->id)->orderBy('number')->get()->all());
            $this->numbers($kind, $item, $versions);
            $this->neverChange($kind, $item, $versions);
            $this->authors($kind, $item, $versions);
            $this->nothingLost($kind, $item, $versions);
            if ($kind === 'spreadsheet') {
                $this->sums($this->world->states->tree($item->root));
            }
        }
        $this->world->days->hold();
        $this->world->talking->hold();
        $this->world->proposing->hold();
        foreach ($this->world->followers as $kind => $dataset) {
            $dataset->refresh();
            $versions = array_values(Version::query()->with('user')->where('item_id', $dataset->id)->orderBy('number')->get()->all());
            $this->numbers("follower of the {$kind}", $dataset, $versions);
            $this->neverChange("follower of the {$kind}", $dataset, $versions);
            $this->follows($kind, $dataset);
        }
        if ($this->world->figures !== null && ! $this->world->isLost('dataset')) {
            (new Figured($this->world, $this->world->figures, [
                $this->world->items['dataset'],
                ...array_values($this->world->followers),
            ]))->hold();
        }
        foreach ($this->world->items['form']->entries()->orderBy('id')->get()->all() as $entry) {
            $versions = array_values(Version::query()->with('user')->where('item_id', $entry->id)->orderBy('number')->get()->all());
            $name = "entry {$entry->number}";
            $this->numbers($name, $entry, $versions);
            $this->neverChange($name, $entry, $versions);
            $this->authors($name, $entry, $versions);
        }
    }

    public function holdAtTheEnd(bool $merges): void
    {
        $this->hold();
        foreach ($this->world->writing->windows() as $window) {
            $root = $this->world->items[$window->item]->root;
            if (
                $window->sent === null
                && ! $window->isDirty()
                && $window->base !== $root
                && $this->world->sees($window->who, $window->item)
            ) {
                throw Broken::law('All windows end alike', "{$window->who} sees another {$window->item}");
            }
        }
        Artisan::call('attic:lives');
        $lives = $this->lives();
        Artisan::call('attic:lives', ['--anew' => true]);
        $lives === $this->lives()
            || throw Broken::law(
                'What is found is what stands in the versions',
                implode(' · ', array_slice([...array_diff($lives, $this->lives()), 'anew:', ...array_diff($this->lives(), $lives)], 0, 6)),
            );
        Artisan::call('attic:verify') === 0 || throw Broken::law('The store is sound', Artisan::output());
        if ($merges) {
            $this->holdWhenTwoAreOne();
            $this->world->house->holdWhenSomeAreGone(new Chance(Version::query()->count()));
        }
    }

    /** Two of them turn out to be one: what is said of the one is said of the other, on every page. */
    private function holdWhenTwoAreOne(): void
    {
        $chance = new Chance(Version::query()->count());
        $names = ['tobi', 'nell', 'jun', 'rafi'];
        [$double, $name] = [array_splice($names, $chance->under(4), 1)[0], $chance->of($names)];
        $merge = app(MergePeople::class);
        if ($merge->inTheWay($this->world->people[$double], $this->world->people[$name]) !== []) {
            return;
        }
        $merge->handle($this->world->people['ines'], $this->world->people[$double], $this->world->people[$name]->refresh());
        $this->world->people[$double] = $this->world->people[$name];
        foreach ($this->world->items as $kind => $item) {
            if (! $this->world->isLost($kind) && $this->world->sees('ines', $kind) && $this->world->mayWrite('ines')) {
                (new Looking($this->world, $item->refresh(), $kind))->at($this->world->as('ines'), $chance);
            }
        }
        foreach (['ines', $name] as $who) {
            foreach (['for-you', 'account'] as $route) {
                $this->world->allowed($this->world->as($who)->get(route($route)), "looking at {$route} when {$double} was {$name}");
            }
        }
        Artisan::call('attic:verify') === 0 || throw Broken::law('The store is sound', "when {$double} was {$name}: ".Artisan::output());
    }

    /** @return list<string> the lives of texts */
    private function lives(): array
    {
        $lives = [];
        foreach (LifeBlocks::everywhere() as $block) {
            array_push(
                $lives,
                ...array_map(
                    fn (
                        Life $life,
                    ) => "{$life->item} {$life->part} {$life->field} {$life->from} {$life->gone} {$life->text} {$life->spelled}",
                    $block->lives(),
                ),
            );
        }
        sort($lives);

        return $lives;
    }

    /** @param list<Version> $versions */
    private function numbers(string $kind, Item $item, array $versions): void
    {
        $numbers = [
            ...array_map(fn (Version $version) => $version->number, $versions),
            ...array_map(intval(...), DB::table('gone_versions')->where('item_id', $item->id)->pluck('number')->all()),
        ];
        sort($numbers);
        ($numbers === range(1, $item->head) && $item->kept() === count($versions))
            || throw Broken::law('Numbers never go back, and what is not kept is known', $kind);
        for ($at = 1; $at < count($versions); $at++) {
            $versions[$at]->saved_at >= $versions[$at - 1]->saved_at
                || throw Broken::law(
                    'Numbers never go back and have no holes',
                    "{$kind} {$versions[$at]->number} is older than the one before",
                );
        }
    }

    /** @param list<Version> $versions */
    private function neverChange(string $kind, Item $item, array $versions): void
    {
        foreach ($versions as $version) {
            if ($version->number < $item->head) {
                $was = $this->world->ledger->left[$kind][$version->number] ??= $version->root;
                $was === $version->root || throw Broken::law('A version left behind never changes', "{$kind} {$version->number}");
            }
        }
    }

    /** @param list<Version> $versions */
    private function authors(string $kind, Item $item, array $versions): void
    {
        foreach ($versions as $version) {
            if ($version->number <= ($this->until[$kind] ?? 0)) {
                continue;
            }
            foreach (
                array_diff_key($this->tagsAt($version->root), $this->known[$kind] ?? [], $this->world->ledger->figured) as $tag => $unused
            ) {
                $author = Ledger::author((string) $tag);
                // Behind a gap it may have come with what is no longer kept.
                $writers = [
                    $version->user_id,
                    ...$version->facts['by'] ?? [],
                    ...DB::table('gone_versions')
                        ->where('item_id', $item->id)
                        ->where('number', '<', $version->number)
                        ->where('number', '>', $this->before($versions, $version))
                        ->pluck('user_id')
                        ->all(),
                ];
                if (! isset($this->world->people[$author]) || ! in_array($this->world->people[$author]->id, $writers, true)) {
                    throw Broken::law(
                        'Nobody’s name stands on what they did not do',
                        "version {$version->number} of the {$kind} by {$version->user->name} brought {$tag}",
                    );
                }
                $this->known[$kind][$tag] = true;
            }
            // The newest one may grow yet.
            if ($version->number < $item->head) {
                $this->until[$kind] = $version->number;
            }
        }
    }

    /** @param list<Version> $versions */
    private function before(array $versions, Version $version): int
    {
        return max([
            0,
            ...array_filter(array_map(fn (Version $each) => $each->number, $versions), fn (int $number) => $number < $version->number),
        ]);
    }

    /** @param list<Version> $versions */
    private function nothingLost(string $kind, Item $item, array $versions): void
    {
        $missing = $this->world->ledger->yes[$kind] ?? [];
        foreach ($versions as $version) {
            $missing = array_diff_key($missing, $this->tagsAt($version->root));
        }
        $missing = array_diff_key($missing, $this->tagsAt($item->root), $this->world->ledger->gone[$kind] ?? []);
        if ($missing === []) {
            return;
        }
        $held = implode("\n", HeldEdit::query()->where('item_id', $item->id)->pluck('conflict')->all());
        foreach ($missing as $tag => $unused) {
            // Who goes on typing replaces their own words; what another took away is in a version.
            $own = isset($this->world->ledger->taken[$kind][$tag][Ledger::author((string) $tag)]);
            if (! $own && ! str_contains($held, ltrim((string) $tag, '#'))) {
                throw Broken::law('What was answered with a yes is in a state or waits', "{$tag} is nowhere in the {$kind}");
            }
        }
    }

    /** Taking all of the source in once more changes nothing, and no name is there that is not in the source. */
    private function follows(string $kind, Item $dataset): void
    {
        $source = $this->world->items[$kind]->refresh();
        if (! $dataset->refresh()->follows()) {
            return;
        }
        $tree = $this->world->states->tree($dataset->root);
        $read = app(ReadSource::class)->item($source, $dataset->source_tab, null);
        if ($read !== null && ! $read->tree($read->types(), $tree)->equals($tree)) {
            throw Broken::law('A dataset that follows stands as its source', "the one of the {$kind}");
        }
        $sources = $kind === 'form' ? [$source->id, ...$source->entries()->pluck('id')->all()] : [$source->id];
        $wrote = [
            ...Version::query()->whereIn('item_id', $sources)->pluck('user_id')->all(),
            ...DB::table('removals')->whereIn('item_id', $sources)->pluck('user_id')->all(),
            ...Publishing::query()->where('item_id', $source->id)->pluck('decider_id')->all(),
        ];
        // Where no history is kept, its version tells of the last who wrote alone.
        array_push($wrote, ...DB::table('activity')->whereIn('item_id', $sources)->pluck('user_id')->all());
        $other = Version::query()
            ->where('item_id', $dataset->id)
            ->whereNotIn('user_id', array_filter($wrote))
            ->whereNotIn('number', $this->world->ledger->followed[$kind] ?? [])
            ->value('number');
        $other === null
            || throw Broken::law('Nobody’s name stands on what they did not do', "version {$other} of the follower of the {$kind}");
    }

    /** A sum is what its cells add up to, worked out here. */
    private function sums(PartTree $tree): void
    {
        foreach ($tree->parts as $row) {
            foreach ($row->fields as $value) {
                if (
                    ! Cell::isFormula($value)
                    || preg_match('/^SUM\(\[(\w*)\.(\w+)\]:\[(\w*)\.(\w+)\]\)$/', (string) Cell::formula($value), $found) !== 1
                ) {
                    continue;
                }
                $rows = array_values(
                    array_filter($tree->children()[$tree->parent($row->id)], fn (string $id) => $tree->get($id)->role === 'row'),
                );
                [$from, $to] = [array_search($found[1], $rows, true), array_search($found[3], $rows, true)];
                $sum = 0;
                foreach ($from === false || $to === false ? [] : array_slice($rows, min($from, $to), abs($to - $from) + 1) as $id) {
                    $cell = $tree->get($id)->fields[$found[2]] ?? 0;
                    $sum += is_int($cell) ? $cell : 0;
                }
                $result = Cell::result($value);
                ($from === false || $to === false ? is_array($result) : $result === $sum)
                    || throw Broken::law(
                        'A figure equals its calculation',
                        Cell::formula($value).' is '.json_encode($result).", not {$sum}",
                    );
            }
        }
    }

    /** @return array<string, true> */
    private function tagsAt(string $root): array
    {
        return $this->tags[$root] ??= Ledger::tags($this->world->states->tree($root));
    }
}

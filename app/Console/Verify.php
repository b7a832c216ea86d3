<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Item;
use App\Models\Picture;
use App\Models\Shelf;
use App\Store\Chunks\WritesNothing;
use App\Store\Excerpt;
use App\Store\FileBytes;
use App\Store\Lives\Life;
use App\Store\Lives\LifeBlocks;
use App\Store\Lives\Lives;
use App\Store\States;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Console\Command;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\CoreException;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Stretch;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Store\ChunkStore;
use PDO;
use Symfony\Component\Console\Helper\ProgressBar;
use Symfony\Component\Console\Output\NullOutput;
use Throwable;

/**
 * Checks every chunk against its address, every root and every reference, what is found against the newest versions, and goes on after each
 * fault. It only reads; exits with 1 when anything is wrong.
 *
 * Each chunk is read once, and each state once. Of a large table the first version and the newest are read whole; of those between, that
 * what changed leads from one root to the next, and is as the schema has it.
 */
final class Verify extends Command
{
    private const BATCH = 200;

    protected $signature = 'attic:verify
        {--item= : Only the versions of one item, by its key}
        {--shelf= : Only the versions of the items of one shelf, by its key}
        {--since= : Only the versions that were written since a date}
        {--after= : Only the items that come after one, by its key: where a check was broken off}';

    protected $description = 'Checks every chunk, every version and every reference';

    private int $wrong = 0;

    private FileBytes $files;

    private Lives $lives;

    /** The newest state of the item that is looked at, once it was read. */
    private ?PartTree $newest = null;

    /** @var array<string, true> by kind and root: the states that were found sound */
    private array $sound = [];

    public function handle(ChunkStore $chunks, Lives $lives): int
    {
        $this->lives = $lives;
        $this->files = new FileBytes($chunks);
        $this->wrong = 0;
        $this->sound = [];
        $states = new States(new WritesNothing($chunks));
        $whole = array_filter([$this->option('item'), $this->option('shelf'), $this->option('since'), $this->option('after')]) === [];
        $items = $this->chosen();
        if ($items === null) {
            return self::FAILURE;
        }
        if ($whole) {
            $this->database();
            $this->chunks($chunks);
            $this->others($states);
        }
        [$count, $versions] = $this->versions($states, $items);
        $whole && $this->items();
        $this->line(
            sprintf(
                '%s%d versions of %d items: %s',
                $whole ? DB::table('chunks')->count().' chunks, ' : '',
                $versions,
                $count,
                $this->wrong === 0 ? 'all is well.' : "{$this->wrong} things are wrong.",
            ),
        );

        return $this->wrong === 0 ? self::SUCCESS : self::FAILURE;
    }

    /** @return Builder<Item>|null null when one is named that is not there */
    private function chosen(): ?Builder
    {
        $items = Item::query()->orderBy('id');
        foreach (['item' => Item::class, 'after' => Item::class, 'shelf' => Shelf::class] as $option => $of) {
            $key = $this->option($option);
            if ($key === null) {
                continue;
            }
            $id = $of::query()->where('key', $key)->value('id');
            if ($id === null) {
                $this->error("There is no {$option} with the key {$key}.");

                return null;
            }
            $items->where(...['item' => ['id', '=', $id], 'after' => ['id', '>', $id], 'shelf' => ['shelf_id', '=', $id]][$option]);
        }
        if (is_string($this->option('since')) && date_create($this->option('since')) === false) {
            $this->error("{$this->option('since')} is no date.");

            return null;
        }

        return $items;
    }

    private function database(): void
    {
        foreach (DB::select('PRAGMA integrity_check') as $row) {
            $row->integrity_check === 'ok' || $this->complain("database: {$row->integrity_check}");
        }
        foreach (DB::select('PRAGMA foreign_key_check') as $row) {
            $this->complain("row {$row->rowid} of {$row->table} refers to a {$row->parent} that is not there");
        }
    }

    private function chunks(ChunkStore $chunks): void
    {
        $bar = $this->bar('chunks', DB::table('chunks')->count());
        DB::table('chunks')->select('id', 'address')->orderBy('id')->chunkById(self::BATCH, function ($rows) use ($chunks, $bar): void {
            $addresses = array_values(array_map(fn (object $row): string => (string) $row->address, $rows->all()));
            try {
                $sound = count($chunks->read($addresses)) === count($addresses);
            } catch (Throwable) {
                $sound = false;
            }
            foreach ($sound ? [] : $addresses as $address) {
                try {
                    $chunks->read([$address]);
                } catch (Throwable $e) {
                    $this->complain($e instanceof CoreException ? $e->getMessage() : 'chunk '.bin2hex($address).": {$e->getMessage()}");
                }
            }
            $bar->advance(count($addresses));
        });
        $bar->clear();
        // Each lies deeper than what it is a delta of, so that every way ends at something whole.
        foreach (DB::select('SELECT c.id FROM chunks c JOIN chunks b ON b.id = c.base WHERE b.depth >= c.depth') as $row) {
            $this->complain("chunk row {$row->id} is a delta of what lies no less deep");
        }
    }

    /** What rests on states beside the versions. */
    private function others(States $states): void
    {
        $known = [];
        $check = function (string $root, string $whose) use ($states, &$known): void {
            try {
                foreach ($states->chunks($root, $known) as $unused);
            } catch (Throwable $e) {
                // What hangs below a fault was not looked into.
                $known = [];
                $this->complain("{$whose}: {$e->getMessage()}");
            }
        };
        foreach (
            DB::table('handed_roots')
                ->select('item_id', 'root')
                ->union(DB::table('sendings')->select('item_id', 'root'))
                ->cursor() as $row
        ) {
            $check((string) $row->root, "a state that item {$row->item_id} passed through");
        }
        foreach (DB::table('held_edits')->select('id', 'root')->orderBy('id')->cursor() as $row) {
            $check((string) $row->root, "held edit {$row->id}");
        }
        foreach (DB::table('proposals')->orderBy('id')->get(['id', 'base', 'root']) as $row) {
            $check((string) $row->base, "what proposal {$row->id} starts from");
            $check((string) $row->root, "proposal {$row->id}");
        }
        foreach (DB::table('proposal_states')->cursor() as $row) {
            $check((string) $row->base, "what proposal {$row->proposal_id} started from at {$row->number}");
            $check((string) $row->root, "proposal {$row->proposal_id} at {$row->number}");
        }
        $this->pictures();
    }

    private function pictures(): void
    {
        $held = DB::connection()->getPdo()->prepare('SELECT 1 FROM chunks WHERE address = ?');
        $isHeld = function (string $address) use ($held): bool {
            $held->bindValue(1, $address, PDO::PARAM_LOB);
            $held->execute();

            return $held->fetchAll() !== [];
        };
        foreach (DB::table('pictures')->select('id', 'chunk', 'bytes')->cursor() as $picture) {
            if (! $isHeld((string) hex2bin((string) $picture->chunk))) {
                $this->complain("picture {$picture->id} has no bytes");
            } elseif ($picture->bytes !== null) {
                $this->file($isHeld, (int) $picture->id, (string) $picture->chunk, (int) $picture->bytes);
            }
        }
    }

    /**
     * A file has all the pieces that it is made of.
     *
     * @param  Closure(string): bool  $isHeld
     */
    private function file(Closure $isHeld, int $id, string $chunk, int $bytes): void
    {
        try {
            $list = $this->files->list($chunk);
        } catch (Throwable $e) {
            $this->complain("file {$id}: {$e->getMessage()}");

            return;
        }
        $missing = count(array_filter($list->pieces, fn (array $piece) => ! $isHeld($piece[0])));
        $missing === 0 || $this->complain("file {$id} lacks {$missing} of its pieces");
        $list->bytes() === $bytes || $this->complain("file {$id} has {$list->bytes()} bytes, and should have {$bytes}");
    }

    /**
     * @param  Builder<Item>  $items
     * @return array{int, int} items and versions that were looked at
     */
    private function versions(States $states, Builder $items): array
    {
        $since = is_string($this->option('since')) ? CarbonImmutable::parse($this->option('since'))->format('Y-m-d H:i:s') : null;
        $of = fn (): \Illuminate\Database\Query\Builder => DB::table('versions')->when(
            $since !== null,
            fn ($query) => $query->where('saved_at', '>=', $since),
        );
        $bar = $this->bar(
            'versions',
            $of()
                ->whereIn('item_id', (clone $items)->reorder()->select('id'))
                ->count(),
        );
        $count = $versions = 0;
        foreach ($items->lazyById(self::BATCH) as $item) {
            $bar->setMessage("item {$item->key}");
            $pictures = $before = $this->newest = null;
            foreach ($of()->where('item_id', $item->id)->orderBy('number')->select('number', 'root')->cursor() as $version) {
                $pictures ??= array_values(
                    Picture::query()
                        ->where('item_id', $item->pictured())
                        ->pluck('chunk')
                        ->map(fn (mixed $chunk): string => (string) $chunk)
                        ->all(),
                );
                $before = $this->version($states, $item, (int) $version->number, (string) $version->root, $before, $pictures)
                    ? (string) $version->root
                    : null;
                $versions++;
                $bar->advance();
            }
            $count += $pictures === null ? 0 : 1;
            $before === $item->root && $this->found($states, $item);
        }
        $bar->clear();

        return [$count, $versions];
    }

    /**
     * @param  string|null  $before  the root of the version before, when that was found sound
     * @param  list<string>  $pictures  of the item
     */
    private function version(States $states, Item $item, int $number, string $root, ?string $before, array $pictures): bool
    {
        // Pictures are an item's own.
        $key = "{$item->kind}:".($pictures === [] ? '' : "{$item->id}:").hex2bin($root);
        if (isset($this->sound[$key])) {
            return true;
        }
        $wrong = $this->wrong;
        $whose = "version {$number} of “{$item->title}”";
        $kind = Kinds::named($item->kind);
        try {
            $excerpt = $before === null || $number === $item->head || $kind->grid() === null
                ? null
                : Excerpt::of($states, $kind->grid(), $before, $root, even: true);
            if ($excerpt === null) {
                $tree = $states->tree($root);
                $this->newest = $number === $item->head ? $tree : null;
                $states->keep($tree) === $root || $this->complain("{$whose} has a root that its content does not lead to");
            } else {
                $tree = $excerpt->new;
                $edits = array_map(
                    fn (Stretch $stretch) => [$stretch->oldFrom, $stretch->oldFrom + count($stretch->old), $stretch->new],
                    $states->compare((string) $before, $root),
                );
                $states->splice((string) $before, $edits) === $root
                    || $this->complain("{$whose} has a root that what changed in it does not lead to");
            }
            foreach (array_slice($kind->problems($tree, Limits::for($kind)), 0, 1) as $problem) {
                $this->complain("{$whose} breaks the schema: {$problem->code} at {$problem->path}");
            }
            foreach (array_diff(Kinds::chunks($kind, $tree), $pictures) as $chunk) {
                $this->complain("{$whose} shows a picture {$chunk} that is not kept");
            }
        } catch (Throwable $e) {
            $this->complain("{$whose}: {$e->getMessage()}");
        }
        if ($this->wrong === $wrong) {
            $this->sound[$key] = true;
        }

        return $this->wrong === $wrong;
    }

    /** What is found of an item that is read in is what its newest version holds. */
    private function found(States $states, Item $item): void
    {
        $fault = $item->is_read ? $this->lives->fault($item, Kinds::named($item->kind), $this->newest ?? $states->tree($item->root)) : null;
        $fault === null || $this->complain("“{$item->title}”: {$fault}. php artisan attic:lives --item={$item->key} reads it in anew");
    }

    private function bar(string $what, int $most): ProgressBar
    {
        $bar = new ProgressBar($this->output->isDecorated() ? $this->output : new NullOutput, $most);
        $bar->setFormat("%current% of %max% {$what}, %remaining% left %message%");
        $bar->setMessage('');
        $bar->minSecondsBetweenRedraws(0.5);

        return $bar;
    }

    private function items(): void
    {
        foreach (
            DB::select(
                'SELECT i.title, i.head FROM items i LEFT JOIN versions v ON v.item_id = i.id AND v.number = i.head WHERE v.id IS NULL OR v.root != i.root',
            ) as $row
        ) {
            $this->complain("“{$row->title}” does not stand at its version {$row->head}");
        }
        foreach (
            DB::select(
                'SELECT t.item_id, t.number FROM touches t LEFT JOIN versions v ON v.item_id = t.item_id AND v.number = t.number WHERE v.id IS NULL GROUP BY 1, 2',
            ) as $row
        ) {
            $this->complain("item {$row->item_id} has touches of a version {$row->number} that is not there");
        }
        $astray = [];
        foreach (LifeBlocks::everywhere() as $block) {
            $lives = $block->lives();
            $versions = [];
            foreach (
                DB::table('versions')
                    ->whereIn('item_id', array_unique(array_map(fn (Life $life) => $life->item, $lives)))
                    ->get(['item_id', 'number']) as $version
            ) {
                $versions[$version->item_id][$version->number] = true;
            }
            foreach ($lives as $life) {
                if (! isset($versions[$life->item][$life->from]) || ($life->gone !== null && ! isset($versions[$life->item][$life->gone]))) {
                    $astray[$life->item] = ($astray[$life->item] ?? 0) + 1;
                }
            }
        }
        foreach ($astray as $id => $count) {
            $this->complain("item {$id} has {$count} texts to be found that begin or end with a version that is not there");
        }
        $this->index();
    }

    /**
     * The index of what is found, held against one that is made again of the texts, all as of one moment: how many texts have each piece of
     * three letters.
     */
    private function index(): void
    {
        DB::unprepared(<<<'SQL'
            SAVEPOINT found_anew;
            CREATE VIRTUAL TABLE temp.found_anew USING fts5 (text, content = '', detail = none, columnsize = 0, tokenize = 'trigram');
            CREATE VIRTUAL TABLE temp.found_is USING fts5vocab (main, found, row);
            CREATE VIRTUAL TABLE temp.found_should USING fts5vocab (temp, found_anew, row);
        SQL);
        foreach (LifeBlocks::everywhere() as $block) {
            foreach ($block->texts() as $page => $text) {
                DB::insert('INSERT INTO temp.found_anew (rowid, text) VALUES (?, ?)', [
                    (int) $block->id * LifeBlocks::PAGES + $page,
                    $text,
                ]);
            }
        }
        $wrong = (int) DB::scalar(
            'SELECT count(*) FROM (SELECT * FROM (SELECT term, doc FROM temp.found_is EXCEPT SELECT term, doc FROM temp.found_should) UNION SELECT * FROM (SELECT term, doc FROM temp.found_should EXCEPT SELECT term, doc FROM temp.found_is))',
        );
        DB::unprepared('ROLLBACK TO found_anew; RELEASE found_anew');
        $wrong === 0 || $this->complain("the index of what is found differs from the texts in {$wrong} pieces of words");
    }

    private function complain(string $what): void
    {
        $this->wrong++;
        $this->error($what);
    }
}

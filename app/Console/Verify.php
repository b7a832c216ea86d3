<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Item;
use App\Models\Picture;
use App\Models\Version;
use App\Store\States;
use App\Store\WritesNothing;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Content\CoreException;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;
use MistyAttic\Core\Store\ChunkStore;
use Throwable;

/** Checks every chunk against its address, every root and every reference, and goes on after each fault. It only reads; exits with 1 when anything is wrong. */
final class Verify extends Command
{
    private const BATCH = 200;

    protected $signature = 'attic:verify';

    protected $description = 'Checks every chunk, every version and every reference';

    private int $wrong = 0;

    public function handle(ChunkStore $chunks): int
    {
        $this->wrong = 0;
        $states = new States(new WritesNothing($chunks));
        $this->database();
        $this->chunks($chunks);
        $this->versions($states);
        $this->items();
        $this->line(sprintf('%d chunks, %d versions of %d items: %s', DB::table('chunks')->count(), Version::query()->count(), Item::query()->count(), $this->wrong === 0 ? 'all is well.' : "{$this->wrong} things are wrong."));

        return $this->wrong === 0 ? self::SUCCESS : self::FAILURE;
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
        DB::table('chunks')->select('id', 'address')->orderBy('id')->chunkById(self::BATCH, function ($rows) use ($chunks): void {
            foreach ($rows as $row) {
                try {
                    $bytes = $chunks->read([$row->address])[$row->address] ?? '';
                    Address::of($bytes) === $row->address || $this->complain('chunk '.bin2hex($row->address).' does not have the content that its address says');
                } catch (Throwable $e) {
                    $this->complain($e instanceof CoreException ? $e->getMessage() : 'chunk '.bin2hex($row->address).": {$e->getMessage()}");
                }
            }
        });
        foreach (DB::select('SELECT c.id FROM chunks c JOIN chunks b ON b.id = c.base WHERE b.form = 2') as $row) {
            $this->complain("chunk row {$row->id} is a delta of a delta");
        }
    }

    private function versions(States $states): void
    {
        $seen = [];
        foreach (DB::table('handed_roots')->select('item_id', 'root')->union(DB::table('sendings')->select('item_id', 'root'))->get() as $row) {
            $this->root($states, (string) $row->root, "a state that item {$row->item_id} passed through", $seen);
        }
        foreach (DB::table('held_edits')->select('id', 'root')->orderBy('id')->get() as $row) {
            $this->root($states, (string) $row->root, "held edit {$row->id}", $seen);
        }
        foreach (DB::table('proposals')->orderBy('id')->get(['id', 'base', 'root']) as $row) {
            $this->root($states, (string) $row->base, "what proposal {$row->id} starts from", $seen);
            $this->root($states, (string) $row->root, "proposal {$row->id}", $seen);
        }
        Version::query()->with('item')->orderBy('id')->lazy(self::BATCH)->each(function (Version $version) use ($states, &$seen): void {
            $tree = $this->root($states, $version->root, "version {$version->number} of “{$version->item->title}”", $seen);
            if ($tree === null) {
                return;
            }
            $kind = Kinds::named($version->item->kind);
            foreach (array_slice($kind->problems($tree, Limits::for($kind)), 0, 1) as $problem) {
                $this->complain("version {$version->number} of “{$version->item->title}” breaks the schema: {$problem->code} at {$problem->path}");
            }
            $wanted = Kinds::chunks($kind, $tree);
            foreach (array_diff($wanted, Picture::query()->where('item_id', $version->item->form_id ?? $version->item_id)->pluck('chunk')->all()) as $chunk) {
                $this->complain("version {$version->number} of “{$version->item->title}” shows a picture {$chunk} that is not kept");
            }
        });
        foreach (DB::table('pictures')->get(['id', 'chunk']) as $picture) {
            DB::table('chunks')->whereRaw('hex(address) = ?', [strtoupper((string) $picture->chunk)])->exists() || $this->complain("picture {$picture->id} has no bytes");
        }
    }

    /** @param array<string, true> $seen */
    private function root(States $states, string $root, string $whose, array &$seen): ?PartTree
    {
        try {
            $tree = $states->tree($root);
            if (! isset($seen[$root])) {
                $seen[$root] = true;
                $states->keep($tree) === $root || $this->complain("{$whose} has a root that its content does not lead to");
            }

            return $tree;
        } catch (Throwable $e) {
            $this->complain("{$whose}: {$e->getMessage()}");

            return null;
        }
    }

    private function items(): void
    {
        foreach (DB::select('SELECT i.title, i.head FROM items i LEFT JOIN versions v ON v.item_id = i.id AND v.number = i.head WHERE v.id IS NULL OR v.root != i.root') as $row) {
            $this->complain("“{$row->title}” does not stand at its version {$row->head}");
        }
        foreach (DB::select('SELECT t.item_id, t.number FROM touches t LEFT JOIN versions v ON v.item_id = t.item_id AND v.number = t.number WHERE v.id IS NULL GROUP BY 1, 2') as $row) {
            $this->complain("item {$row->item_id} has touches of a version {$row->number} that is not there");
        }
    }

    private function complain(string $what): void
    {
        $this->wrong++;
        $this->error($what);
    }
}

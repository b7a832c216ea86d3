<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Item;
use App\Models\Picture;
use App\Models\Version;
use App\Store\Chunks\SqliteChunkStore;
use App\Store\States;
use Illuminate\Console\Command;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Store\ChunkMissing;
use MistyAttic\Core\Store\ChunkStore;
use Throwable;

/**
 * Puts back what is damaged or missing, from a backup: a chunk is what its address says, so that any copy of it will do. So are pictures
 * and files that versions show and that are not kept any more.
 */
final class Mend extends Command
{
    protected $signature = 'attic:mend {backup : A database file of this place, of any day}';

    protected $description = 'Puts damaged and missing content back from a backup, and says what could not be';

    /** @var array<string, true> addresses of what was put back, in hexadecimal */
    private array $mended = [];

    /** Pictures and files that are kept again. */
    private int $pictures = 0;

    /** @var array<string, true> and of what is in no backup */
    private array $lost = [];

    public function handle(ChunkStore $chunks, States $states): int
    {
        $file = (string) $this->argument('backup');
        if (! is_file($file)) {
            $this->error("There is no file {$file}.");

            return self::FAILURE;
        }
        config(['database.connections.backup' => [...(array) config('database.connections.sqlite'), 'database' => $file]]);
        $backup = new SqliteChunkStore(DB::connection('backup'));
        foreach ($this->damaged(DB::connection(), $chunks) as $address) {
            $this->putBack($address, $backup, $chunks);
        }
        $broken = [];
        foreach (Version::query()->with('item')->orderBy('id')->lazy(200) as $version) {
            $this->isWhole($version, $states, $backup, $chunks) || $broken[] = "version {$version->number} of “{$version->item->title}”";
        }
        $this->line(
            count($this->mended)
                .' chunks were put back.'
                .($this->pictures === 0 ? '' : " {$this->pictures} pictures and files are kept again."),
        );
        foreach ($broken as $one) {
            $this->error("Not whole: {$one}");
        }
        $this->lost === [] || $this->error(count($this->lost).' chunks are not in this backup, or are damaged there as well.');

        return $broken === [] && $this->lost === [] ? self::SUCCESS : self::FAILURE;
    }

    /** Reads all of a version, with what is missing put back as it turns up. */
    private function isWhole(Version $version, States $states, ChunkStore $backup, ChunkStore $chunks): bool
    {
        while (true) {
            try {
                return $this->hasPictures($version->item, $states->tree($version->root), $backup, $chunks);
            } catch (ChunkMissing $e) {
                if (! $this->putBack($e->address, $backup, $chunks)) {
                    return false;
                }
            } catch (Throwable) {
                return false;
            }
        }
    }

    /** Pictures and files that a state shows, with those put back that are not kept any more. */
    private function hasPictures(Item $item, PartTree $tree, ChunkStore $backup, ChunkStore $chunks): bool
    {
        $shown = Kinds::chunks($item->kind(), $tree);
        $missing = $shown === []
            ? []
            : array_diff(
                $shown,
                Picture::query()->where('item_id', $item->pictured())->whereIn('chunk', $shown)->pluck('chunk')->all(),
            );
        $isWhole = true;
        foreach ($missing as $chunk) {
            $kept = DB::connection('backup')->table('pictures')->where(['item_id' => $item->pictured(), 'chunk' => $chunk])->first();
            if ($kept === null || ! $this->putBack((string) hex2bin($chunk), $backup, $chunks)) {
                $isWhole = false;

                continue;
            }
            DB::table('pictures')->insert(array_diff_key((array) $kept, ['id' => true]));
            $this->pictures++;
        }

        return $isWhole;
    }

    /** @return bool whether the backup has it */
    private function putBack(string $address, ChunkStore $backup, ChunkStore $chunks): bool
    {
        $name = bin2hex($address);
        $bytes = isset($this->lost[$name])
            ? null
            : rescue(fn (): ?string => $backup->read([$address])[$address] ?? null, null, report: false);
        if ($bytes === null || Address::of($bytes) !== $address) {
            $this->lost[$name] = true;

            return false;
        }
        $chunks->write([$address => $bytes]);
        $this->mended[$name] = true;

        return true;
    }

    /** @return list<string> addresses of what does not have the content that its address says */
    private function damaged(ConnectionInterface $database, ChunkStore $chunks): array
    {
        $damaged = [];
        foreach ($database->table('chunks')->orderBy('id')->lazyById(500, 'id') as $row) {
            array_push($damaged, ...$chunks->missing([(string) $row->address]));
        }

        return $damaged;
    }
}

<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Version;
use App\Store\SqliteChunkStore;
use App\Store\States;
use Illuminate\Console\Command;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Store\ChunkMissing;
use MistyAttic\Core\Store\ChunkStore;
use Throwable;

/** Puts back what is damaged or missing, from a backup: a chunk is what its address says, so that any copy of it will do. */
final class Mend extends Command
{
    protected $signature = 'attic:mend {backup : A database file of this place, of any day}';

    protected $description = 'Puts damaged and missing content back from a backup, and says what could not be';

    public function handle(ChunkStore $chunks, States $states): int
    {
        $file = (string) $this->argument('backup');
        if (! is_file($file)) {
            $this->error("There is no file {$file}.");

            return self::FAILURE;
        }
        config(['database.connections.backup' => [...(array) config('database.connections.sqlite'), 'database' => $file]]);
        $backup = new SqliteChunkStore(DB::connection('backup'));
        $mended = $lost = [];
        $mend = function (string $address) use ($chunks, $backup, &$mended, &$lost): bool {
            $name = bin2hex($address);
            if (isset($lost[$name])) {
                return false;
            }
            try {
                $bytes = $backup->read([$address])[$address] ?? null;
            } catch (Throwable) {
                $bytes = null;
            }
            if ($bytes === null || Address::of($bytes) !== $address) {
                $lost[$name] = true;

                return false;
            }
            $chunks->write([$address => $bytes]);
            $mended[$name] = true;

            return true;
        };
        foreach ($this->damaged(DB::connection(), $chunks) as $address) {
            $mend($address);
        }
        $broken = [];
        Version::query()->with('item')->orderBy('id')->lazy(200)->each(function (Version $version) use ($states, $mend, &$broken): void {
            for ($again = true; $again;) {
                try {
                    $states->tree($version->root);
                    $again = false;
                } catch (ChunkMissing $e) {
                    $again = $mend($e->address);
                    $again || $broken[] = "version {$version->number} of “{$version->item->title}”";
                } catch (Throwable) {
                    $again = false;
                    $broken[] = "version {$version->number} of “{$version->item->title}”";
                }
            }
        });
        $this->line(count($mended).' chunks were put back.');
        foreach ($broken as $one) {
            $this->error("Not whole: {$one}");
        }
        $lost === [] || $this->error(count($lost).' chunks are not in this backup, or are damaged there as well.');

        return $broken === [] && $lost === [] ? self::SUCCESS : self::FAILURE;
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

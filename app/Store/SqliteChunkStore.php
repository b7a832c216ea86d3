<?php

declare(strict_types=1);

namespace App\Store;

use Illuminate\Database\Connection;
use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Store\ChunkForm;
use MistyAttic\Core\Store\ChunkMissing;
use MistyAttic\Core\Store\ChunkStore;
use MistyAttic\Core\Store\Packing;
use PDO;
use Throwable;

/** Chunks as rows. Addresses are bound as LOB, since SQLite never finds a blob by a text. */
final class SqliteChunkStore implements ChunkStore
{
    /** Fewer than the variables that SQLite takes in one statement. */
    private const BATCH = 500;

    /** How many chunks were read, for counting what a request costs. */
    public int $reads = 0;

    public function __construct(private readonly Connection $connection) {}

    private const PACKED = 'SELECT c.address, c.form, c.data, b.form AS base_form, b.data AS base_data FROM chunks c LEFT JOIN chunks b ON b.id = c.base WHERE c.address IN';

    public function read(array $addresses): array
    {
        $found = [];
        foreach ($this->rows(self::PACKED, $addresses) as $row) {
            $this->reads++;
            $found[$row['address']] = self::unpacked($row) ?? throw ChunkMissing::broken($row['address']);
        }

        return $found;
    }

    /** What is damaged is as good as missing: the right bytes take its place when they come again. */
    public function missing(array $addresses): array
    {
        $held = array_column(array_filter($this->rows(self::PACKED, $addresses), fn (array $row) => self::unpacked($row) !== null), 'address');

        return array_values(array_diff(array_unique($addresses), $held));
    }

    /**
     * @param  array<string, string>  $row
     * @return string|null null when it is not what its address says
     */
    private static function unpacked(array $row): ?string
    {
        try {
            $base = ! isset($row['base_data']) ? null : Packing::unpack(ChunkForm::from((int) $row['base_form']), $row['base_data'], null);
            $bytes = Packing::unpack(ChunkForm::from((int) $row['form']), $row['data'], $base);
        } catch (Throwable) {
            return null;
        }

        return $bytes !== null && Address::of($bytes) === $row['address'] ? $bytes : null;
    }

    public function write(array $chunks, array $like = []): void
    {
        $this->insert($this->pack($chunks, $like));
    }

    /**
     * @param  array<string, string>  $chunks  see {@see ChunkStore::write}
     * @param  array<string, string>  $like
     * @return list<PackedChunk>
     */
    public function pack(array $chunks, array $like = []): array
    {
        $bases = $this->bases(array_values(array_unique($like)));
        $packed = [];
        foreach ($chunks as $address => $bytes) {
            $base = isset($like[$address]) ? ($bases[$like[$address]] ?? null) : null;
            $one = Packing::pack($bytes, $base['bytes'] ?? null);
            $packed[] = new PackedChunk((string) $address, $bytes, $one, $one->form === ChunkForm::Delta ? ($base['id'] ?? null) : null);
        }

        return $packed;
    }

    /** @param list<PackedChunk> $chunks what is held already stays as it is, unless it is damaged */
    public function insert(array $chunks): void
    {
        $insert = $this->connection->getPdo()->prepare('INSERT OR IGNORE INTO chunks (address, base, form, size, data) VALUES (?, ?, ?, ?, ?)');
        $wanted = array_unique(array_filter(array_map(fn (PackedChunk $chunk) => $chunk->base, $chunks)));
        $bases = $wanted === [] ? [] : array_flip($this->connection->table('chunks')->whereIn('id', $wanted)->pluck('id')->all());
        foreach ($chunks as $chunk) {
            // Its base may have been given back since it was packed.
            $packed = $chunk->base === null || isset($bases[$chunk->base]) ? $chunk->packed : Packing::pack($chunk->bytes, null);
            $insert->bindValue(1, $chunk->address, PDO::PARAM_LOB);
            $insert->bindValue(2, $packed->form === ChunkForm::Delta ? $chunk->base : null);
            $insert->bindValue(3, $packed->form->value, PDO::PARAM_INT);
            $insert->bindValue(4, strlen($chunk->bytes), PDO::PARAM_INT);
            $insert->bindValue(5, $packed->data, PDO::PARAM_LOB);
            $insert->execute();
            if ($insert->rowCount() === 0 && $this->missing([$chunk->address]) !== []) {
                $this->heal($chunk->address, $chunk->bytes);
            }
        }
    }

    /**
     * Whether chunks are there; not whether they are sound.
     *
     * @param  list<string>  $addresses
     */
    public function holds(array $addresses): bool
    {
        return count($this->rows('SELECT address FROM chunks WHERE address IN', $addresses)) === count(array_unique($addresses));
    }

    /** Whole, not as a delta: others may be deltas of it. */
    private function heal(string $address, string $bytes): void
    {
        $packed = Packing::pack($bytes, null);
        $update = $this->connection->getPdo()->prepare('UPDATE chunks SET base = NULL, form = ?, size = ?, data = ? WHERE address = ?');
        $update->bindValue(1, $packed->form->value, PDO::PARAM_INT);
        $update->bindValue(2, strlen($bytes), PDO::PARAM_INT);
        $update->bindValue(3, $packed->data, PDO::PARAM_LOB);
        $update->bindValue(4, $address, PDO::PARAM_LOB);
        $update->execute();
    }

    /**
     * Drops a chunk that is only needed to read its deltas, if any: the newest of them becomes whole, and the others are packed against that. To be called in a
     * transaction.
     *
     * @return int bytes of data that came back; 0 when something of it is damaged, and stays as it is
     */
    public function replaceBase(int $base): int
    {
        $deltas = $this->connection->select('SELECT c.id, c.address, c.form, c.data, b.form AS base_form, b.data AS base_data FROM chunks c JOIN chunks b ON b.id = c.base WHERE c.base = ? ORDER BY c.id DESC', [$base]);
        $size = fn (): int => (int) $this->connection->scalar('SELECT sum(length(data)) FROM chunks WHERE base = ? OR id = ? OR id IN ('.implode(',', [0, ...array_column($deltas, 'id')]).')', [$base, $base]);
        $bytes = array_map(fn (object $row): ?string => self::unpacked((array) $row), $deltas);
        if (in_array(null, $bytes, true)) {
            return 0;
        }
        $before = $size();
        $whole = (int) ($deltas[0]->id ?? 0);
        foreach ($deltas as $at => $row) {
            $packed = Packing::pack((string) $bytes[$at], $at === 0 ? null : $bytes[0]);
            $update = $this->connection->getPdo()->prepare('UPDATE chunks SET base = ?, form = ?, data = ? WHERE id = ?');
            $update->bindValue(1, $packed->form === ChunkForm::Delta ? $whole : null);
            $update->bindValue(2, $packed->form->value, PDO::PARAM_INT);
            $update->bindValue(3, $packed->data, PDO::PARAM_LOB);
            $update->bindValue(4, $row->id, PDO::PARAM_INT);
            $update->execute();
        }
        $this->connection->table('chunks')->delete($base);

        return $before - $size();
    }

    /**
     * For each address the full chunk to pack against: itself, or the one that it is a delta of.
     *
     * @param  list<string>  $addresses
     * @return array<string, array{id: int, bytes: string}>
     */
    private function bases(array $addresses): array
    {
        $bases = [];
        foreach ($this->rows('SELECT c.address, coalesce(b.id, c.id) AS id, coalesce(b.form, c.form) AS form, coalesce(b.data, c.data) AS data, coalesce(b.address, c.address) AS base_address FROM chunks c LEFT JOIN chunks b ON b.id = c.base WHERE c.address IN', $addresses) as $row) {
            $bytes = rescue(fn () => Packing::unpack(ChunkForm::from((int) $row['form']), $row['data'], null), null, report: false);
            // A delta of what is damaged would be damaged, too.
            if ($bytes !== null && Address::of($bytes) === $row['base_address']) {
                $bases[$row['address']] = ['id' => (int) $row['id'], 'bytes' => $bytes];
            }
        }

        return $bases;
    }

    /**
     * @param  list<string>  $addresses
     * @return list<array<string, string>> the columns of the base are null where there is none
     */
    private function rows(string $select, array $addresses): array
    {
        $rows = [];
        foreach (array_chunk(array_values(array_unique($addresses)), self::BATCH) as $batch) {
            $statement = $this->connection->getPdo()->prepare($select.' ('.implode(',', array_fill(0, count($batch), '?')).')');
            foreach ($batch as $position => $address) {
                $statement->bindValue($position + 1, $address, PDO::PARAM_LOB);
            }
            $statement->execute();
            array_push($rows, ...$statement->fetchAll(PDO::FETCH_ASSOC));
        }

        return $rows;
    }
}

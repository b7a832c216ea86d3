<?php

declare(strict_types=1);

namespace App\Store\Chunks;

use Illuminate\Database\Connection;
use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Store\ChunkForm;
use MistyAttic\Core\Store\ChunkMissing;
use MistyAttic\Core\Store\ChunkStore;
use MistyAttic\Core\Store\Heirs;
use MistyAttic\Core\Store\Packing;
use PDO;
use Throwable;

/** Chunks as rows. Addresses are bound as LOB, since SQLite never finds a blob by a text. */
final class SqliteChunkStore implements ChunkStore
{
    /** Fewer than the variables that SQLite takes in one statement. */
    private const BATCH = 500;

    /** Chunks whose bytes are held at once. */
    private const AT_ONCE = 50;

    /** Deltas that are packed again to see what would come back. */
    private const TRIED = 1_000;

    /** How many chunks were read, for counting what a request costs. */
    public int $reads = 0;

    public function __construct(private readonly Connection $connection) {}

    /** How many deltas may lie between a chunk and one that is whole: each takes some twenty microseconds to read. */
    private const DEEPEST = 32;

    /** The share of its bytes that a delta has at most which is near to its base. */
    private const NEAR = 0.04;

    /** What is asked for, and all that lies between that and something whole. */
    private const WITH_BASES = 'WITH RECURSIVE needed (id) AS (SELECT id FROM chunks WHERE %s IN (%s) UNION SELECT base FROM chunks JOIN needed USING (id) WHERE base IS NOT NULL) SELECT id, address, base, %s FROM chunks WHERE id IN needed';

    public function read(array $addresses): array
    {
        $found = [];
        foreach ($this->held('address', $addresses) as $chunk) {
            $this->reads++;
            $found[$chunk['address']] = $chunk['bytes'] ?? throw ChunkMissing::broken($chunk['address']);
        }

        return $found;
    }

    /** What is damaged is as good as missing: the right bytes take its place when they come again. */
    public function missing(array $addresses): array
    {
        $held = array_column(array_filter($this->held('address', $addresses), fn (array $chunk) => $chunk['bytes'] !== null), 'address');

        return array_values(array_diff(array_unique($addresses), $held));
    }

    /**
     * @param  'address'|'id'  $by
     * @param  list<string|int>  $asked
     * @param  bool  $deep  whether it is asked how deep they lie: backups of before that was written down are read, too
     * @return array<int, array{id: int, address: string, depth: int, base: int|null, whole: int, bytes: string|null}> by row; no bytes
     *     where these are not what the address says
     */
    private function held(string $by, array $asked, bool $deep = false): array
    {
        $held = [];
        foreach (array_chunk(array_values(array_unique($asked)), self::BATCH) as $batch) {
            $columns = ($deep ? 'depth' : '0 AS depth').', form, data';
            $rows = [];
            foreach ($this->rows(sprintf(self::WITH_BASES, $by, '%s', $columns), $batch) as $row) {
                $rows[(int) $row['id']] = $row;
            }
            $wanted = array_fill_keys($batch, true);
            // What several are deltas of is unpacked once, and nothing else is held.
            $bytes = $once = [];
            foreach (array_column($rows, 'base') as $base) {
                $base === null || ! isset($once[$base]) || $bytes[(int) $base] = null;
                $once[$base ?? 0] = true;
            }
            foreach ($rows as $id => $row) {
                if (isset($wanted[$row[$by]])) {
                    $own = $this->unpacked($id, $rows, $bytes);
                    for (
                        $whole = $id, $steps = count($rows);
                        $steps > 0 && isset($rows[$whole]['base']);
                        $whole = (int) $rows[$whole]['base'], $steps--
                    );
                    $held[$id] = [
                        'id' => $id,
                        'address' => (string) $row['address'],
                        'depth' => (int) $row['depth'],
                        'base' => $row['base'] === null ? null : (int) $row['base'],
                        'whole' => $whole,
                        'bytes' => $own !== null && Address::of($own) === $row['address'] ? $own : null,
                    ];
                }
            }
        }

        return $held;
    }

    /**
     * @param  array<int, array<string, mixed>>  $rows
     * @param  array<int, string|null>  $bytes  by row: what is held once it is known
     */
    private function unpacked(int $id, array $rows, array &$bytes): ?string
    {
        for ($way = []; ! isset($bytes[$id]) && isset($rows[$id]) && ! isset($way[$id]); $id = (int) $rows[$id]['base']) {
            $way[$id] = true;
            if ($rows[$id]['base'] === null) {
                break;
            }
        }
        $own = $bytes[$id] ?? null;
        foreach (array_reverse(array_keys($way)) as $next) {
            $own = $own === null && $rows[$next]['base'] !== null ? null : self::inflated($rows[$next], $own);
            if (array_key_exists($next, $bytes)) {
                $bytes[$next] = $own;
            }
        }

        return $own;
    }

    /** @param array<string, mixed> $row */
    private static function inflated(array $row, ?string $base): ?string
    {
        try {
            return Packing::unpack(ChunkForm::from((int) $row['form']), (string) $row['data'], $base);
        } catch (Throwable) {
            return null;
        }
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
        return array_merge(
            [],
            ...array_map(
                fn (array $some): array => $this->packSome($some, array_intersect_key($like, $some)),
                array_chunk($chunks, self::AT_ONCE, true),
            ),
        );
    }

    /**
     * @param  array<string, string>  $chunks
     * @param  array<string, string>  $like
     * @return list<PackedChunk>
     */
    private function packSome(array $chunks, array $like): array
    {
        $near = array_column($this->held('address', array_values(array_unique($like)), deep: true), null, 'address');
        // What lies too deep leads no further than to what is whole.
        $via = array_map(fn (array $of): ?int => $of['depth'] < self::DEEPEST ? $of['base'] : $of['whole'], $near);
        $bases = $this->held('id', array_values(array_filter($via)));
        $packed = [];
        foreach ($chunks as $address => $bytes) {
            $of = $like[$address] ?? '';
            [$one, $base] = $this->packed($bytes, $near[$of] ?? null, $bases[$via[$of] ?? 0] ?? null);
            $packed[] = new PackedChunk((string) $address, $bytes, $one, $one->form === ChunkForm::Delta ? $base : null);
        }

        return $packed;
    }

    /**
     * Against what the one that it is like is a delta of, as long as it is near to that, so that ways to something whole stay short, and
     * what lies between two versions goes without a trace; else against that one itself.
     *
     * @param  array{id: int, address: string, depth: int, base: int|null, whole: int, bytes: string|null}|null  $like  a delta of what is
     *     damaged would be damaged, too
     * @param  array{id: int, address: string, depth: int, base: int|null, whole: int, bytes: string|null}|null  $base
     * @return array{Packing, int|null}
     */
    private function packed(string $bytes, ?array $like, ?array $base): array
    {
        $near = isset($base['bytes']) ? Packing::pack($bytes, $base['bytes']) : null;
        $isDeep = ($like['depth'] ?? 0) >= self::DEEPEST;
        if ($near !== null && ($isDeep || ($near->form === ChunkForm::Delta && strlen($near->data) <= self::NEAR * strlen($bytes)))) {
            return [$near, $base['id']];
        }

        return [Packing::pack($bytes, $isDeep ? null : $like['bytes'] ?? null), $like['id'] ?? null];
    }

    /** @param list<PackedChunk> $chunks what is held already stays as it is, unless it is damaged */
    public function insert(array $chunks): void
    {
        $insert = $this->connection
            ->getPdo()
            ->prepare('INSERT OR IGNORE INTO chunks (address, base, form, size, data, depth) VALUES (?, ?, ?, ?, ?, ?)');
        $wanted = array_unique(array_filter(array_map(fn (PackedChunk $chunk) => $chunk->base, $chunks)));
        $depths = $wanted === [] ? [] : $this->connection->table('chunks')->whereIn('id', $wanted)->pluck('depth', 'id')->all();
        foreach ($chunks as $chunk) {
            // Its base may have been given back since it was packed.
            $packed = $chunk->base === null || isset($depths[$chunk->base]) ? $chunk->packed : Packing::pack($chunk->bytes, null);
            $insert->bindValue(1, $chunk->address, PDO::PARAM_LOB);
            $insert->bindValue(2, $packed->form === ChunkForm::Delta ? $chunk->base : null);
            $insert->bindValue(3, $packed->form->value, PDO::PARAM_INT);
            $insert->bindValue(4, strlen($chunk->bytes), PDO::PARAM_INT);
            $insert->bindValue(5, $packed->data, PDO::PARAM_LOB);
            $insert->bindValue(6, $packed->form === ChunkForm::Delta ? 1 + (int) $depths[(int) $chunk->base] : 0, PDO::PARAM_INT);
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
        return count($this->rows('SELECT address FROM chunks WHERE address IN (%s)', $addresses)) === count(array_unique($addresses));
    }

    /** Whole, not as a delta: others may be deltas of it. */
    private function heal(string $address, string $bytes): void
    {
        $packed = Packing::pack($bytes, null);
        $update = $this->connection
            ->getPdo()
            ->prepare('UPDATE chunks SET base = NULL, depth = 0, form = ?, size = ?, data = ? WHERE address = ?');
        $update->bindValue(1, $packed->form->value, PDO::PARAM_INT);
        $update->bindValue(2, strlen($bytes), PDO::PARAM_INT);
        $update->bindValue(3, $packed->data, PDO::PARAM_LOB);
        $update->bindValue(4, $address, PDO::PARAM_LOB);
        $update->execute();
    }

    /**
     * Lets rows go. What is a delta of one of them becomes one of what takes its place: see {@see left}.
     * To be called in a transaction.
     *
     * @param  list<int>  $ids  what can't be done without, since something is damaged, stays
     * @return array{int, int} rows and bytes of data that came back
     */
    public function drop(array $ids): array
    {
        $gone = $this->sizes('id', $ids);
        do {
            [$left, $against] = $this->left($gone);
            $held = $this->held('id', array_values(array_unique(array_filter([...array_keys($left), ...$against]))), deep: true);
            $sound = array_filter(
                $left,
                fn (array $row): bool => isset($held[$row['id']]['bytes'])
                    && ($against[$row['id']] === null || isset($held[$against[$row['id']]]['bytes'])),
            );
            $before = count($gone);
            foreach (array_diff_key($left, $sound) as $row) {
                for ($at = $row['base']; $at !== null && isset($gone[$at]); $at = $next) {
                    $next = $gone[$at]['base'];
                    unset($gone[$at]);
                }
            }
        } while (count($gone) < $before);
        $freed = array_sum(array_column($gone, 'bytes'));
        $depths = array_column($held, 'depth', 'id');
        foreach ($left as $id => $row) {
            $of = $against[$id];
            $packed = Packing::pack((string) $held[$id]['bytes'], $of === null ? null : $held[$of]['bytes']);
            $isDelta = $packed->form === ChunkForm::Delta;
            $update = $this->connection->getPdo()->prepare('UPDATE chunks SET base = ?, depth = ?, form = ?, data = ? WHERE id = ?');
            $update->bindValue(1, $isDelta ? $of : null);
            for ($depth = 0, $at = $isDelta ? $of : null; $at !== null; $at = $against[$at] ?? null) {
                $depth += 1 + (array_key_exists($at, $against) ? 0 : $depths[$at]);
            }
            $update->bindValue(2, $depth, PDO::PARAM_INT);
            $update->bindValue(3, $packed->form->value, PDO::PARAM_INT);
            $update->bindValue(4, $packed->data, PDO::PARAM_LOB);
            $update->bindValue(5, $id, PDO::PARAM_INT);
            $update->execute();
            $freed += $row['bytes'] - strlen($packed->data);
        }

        return [$this->connection->table('chunks')->whereIn('id', array_keys($gone))->delete(), (int) $freed];
    }

    /**
     * What chunks lie in the file as, with all that they are deltas of.
     *
     * @param  list<string>  $addresses
     * @return array<int, array{id: int, address: string, base: int|null, bytes: int}> by row
     */
    public function withBases(array $addresses): array
    {
        $found = [];
        foreach (array_chunk($addresses, self::BATCH) as $some) {
            foreach ($this->rows(sprintf(self::WITH_BASES, 'address', '%s', 'length(data) AS bytes'), $some) as $row) {
                $found[(int) $row['id']] = [
                    'id' => (int) $row['id'],
                    'address' => (string) $row['address'],
                    'base' => $row['base'] === null ? null : (int) $row['base'],
                    'bytes' => (int) $row['bytes'],
                ];
            }
        }

        return $found;
    }

    /**
     * @param  'address'|'id'|'base'  $by
     * @param  list<string|int>  $asked
     * @return array<int, array{id: int, base: int|null, bytes: int}> by row
     */
    private function sizes(string $by, array $asked): array
    {
        $sizes = [];
        foreach ($this->rows("SELECT id, base, length(data) AS bytes FROM chunks WHERE {$by} IN (%s)", $asked) as $row) {
            $sizes[(int) $row['id']] = [
                'id' => (int) $row['id'],
                'base' => $row['base'] === null ? null : (int) $row['base'],
                'bytes' => (int) $row['bytes'],
            ];
        }

        return $sizes;
    }

    /**
     * What is left of which others go, and what that is packed against: see {@see Heirs}.
     *
     * @param  array<int, array{id: int, base: int|null, bytes: int}>  $gone
     * @return array{array<int, array{id: int, base: int|null, bytes: int}>, array<int, int|null>} rows, and for each that which it becomes
     *     a delta of, or null
     */
    private function left(array $gone): array
    {
        $left = [];
        foreach (array_chunk(array_keys($gone), self::BATCH) as $ids) {
            $left += array_diff_key($this->sizes('base', $ids), $gone);
        }
        return [$left, Heirs::against(array_column($left, 'base', 'id'), array_column($gone, 'base', 'id'))];
    }

    /**
     * What comes back when some chunks go: {@see drop}.
     *
     * @param  list<string>  $addresses
     * @return int bytes of data
     */
    public function freedBy(array $addresses): int
    {
        $gone = $this->sizes('address', $addresses);
        [$left, $against] = $this->left($gone);

        return (int) array_sum(array_column($gone, 'bytes')) - $this->grown($left, $against);
    }

    /**
     * What chunks would take if all else that they are deltas of went.
     *
     * @param  list<string>  $addresses
     * @return int bytes of data
     */
    public function alone(array $addresses): int
    {
        $asked = array_flip($addresses);
        $rows = $this->withBases($addresses);
        $own = array_filter($rows, fn (array $row): bool => isset($asked[$row['address']]));
        $gone = array_diff_key($rows, $own);
        $left = array_filter($own, fn (array $row): bool => $row['base'] !== null && isset($gone[$row['base']]));
        $against = Heirs::against(array_column($left, 'base', 'id'), array_column($gone, 'base', 'id'));

        return (int) array_sum(array_column($own, 'bytes')) + $this->grown($left, $against);
    }

    /**
     * How much more what is left takes when it is packed against something else. Of very many, some stand for all.
     *
     * @param  array<int, array{id: int, base: int|null, bytes: int}>  $left
     * @param  array<int, int|null>  $against
     * @return int bytes
     */
    private function grown(array $left, array $against): int
    {
        $every = (int) ceil(max(1, count($left)) / self::TRIED);
        $tried = array_filter($against, fn (int $id): bool => $id % $every === 0, ARRAY_FILTER_USE_KEY);
        $grown = 0;
        foreach (array_chunk($tried, self::AT_ONCE, true) as $some) {
            $held = $this->held('id', array_values(array_unique(array_filter([...array_keys($some), ...$some]))));
            foreach ($some as $id => $of) {
                $bytes = $held[$id]['bytes'] ?? null;
                $grown += $bytes === null
                    ? 0
                    : strlen(Packing::pack($bytes, $of === null ? null : $held[$of]['bytes'] ?? null)->data) - $left[$id]['bytes'];
            }
        }

        return (int) round($grown * count($left) / max(1, count($tried)));
    }

    /**
     * @param  list<string|int>  $addresses
     * @return list<array<string, string|int|null>>
     */
    private function rows(string $select, array $addresses): array
    {
        $rows = [];
        foreach (array_chunk(array_values(array_unique($addresses)), self::BATCH) as $batch) {
            $statement = $this->connection->getPdo()->prepare(sprintf($select, implode(',', array_fill(0, count($batch), '?'))));
            foreach ($batch as $position => $address) {
                $statement->bindValue($position + 1, $address, is_int($address) ? PDO::PARAM_INT : PDO::PARAM_LOB);
            }
            $statement->execute();
            array_push($rows, ...$statement->fetchAll(PDO::FETCH_ASSOC));
        }

        return $rows;
    }
}

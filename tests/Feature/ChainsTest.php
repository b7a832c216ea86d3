<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Store\Chunks\SqliteChunkStore;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Store\ChunkMissing;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Chunks that are deltas of deltas come back whatever goes from between them. */
final class ChainsTest extends FeatureCase
{
    private Randomizer $random;

    private SqliteChunkStore $store;

    /** @var array<string, string> address => bytes */
    private array $chunks = [];

    protected function setUp(): void
    {
        parent::setUp();
        $seed = (int) (getenv('SEED') ?: random_int(1, 99_999));
        fwrite(STDERR, "chains of deltas: SEED={$seed}\n");
        $this->random = new Randomizer(new Mt19937($seed));
        $this->store = new SqliteChunkStore(DB::connection());
        $lines = array_map($this->line(...), range(1, 40));
        $this->keep($lines, null);
        // Most go on from the newest, some from one of before.
        for ($at = 0; $at < 150; $at++) {
            $from = $this->random->getInt(0, 9) > 0
                ? (string) array_key_last($this->chunks)
                : (string) array_keys($this->chunks)[$this->random->getInt(0, count($this->chunks) - 1)];
            $lines = explode("\n", $this->chunks[$from]);
            for ($edits = $this->random->getInt(1, 3); $edits > 0; $edits--) {
                $lines[$this->random->getInt(0, count($lines) - 1)] = $this->line($at);
            }
            $this->keep(array_values($lines), $from);
        }
    }

    private function line(int $at): string
    {
        return "line {$at} has ".bin2hex($this->random->getBytes($this->random->getInt(4, 20)));
    }

    /** @param list<string> $lines */
    private function keep(array $lines, ?string $like): void
    {
        $bytes = implode("\n", $lines);
        $address = Address::of($bytes);
        $this->store->write([$address => $bytes], $like === null ? [] : [$address => $like]);
        $this->chunks[$address] = $bytes;
    }

    private function assertAllThere(): void
    {
        self::assertSame([], $this->store->missing(array_map(strval(...), array_keys($this->chunks))));
        foreach ($this->store->read(array_map(strval(...), array_keys($this->chunks))) as $address => $bytes) {
            self::assertSame($this->chunks[$address], $bytes);
        }
        self::assertSame([], DB::select('SELECT c.id FROM chunks c JOIN chunks b ON b.id = c.base WHERE b.depth >= c.depth'));
        self::assertSame([], DB::select('SELECT id FROM chunks WHERE (form = 2) != (base IS NOT NULL) OR depth > 33'));
    }

    public function test_what_is_left_stays_whole_and_what_comes_back_is_as_said(): void
    {
        $this->assertAllThere();
        self::assertGreaterThan(8, (int) DB::table('chunks')->max('depth'));
        // What each changed took little.
        self::assertLessThan(120, (int) DB::table('chunks')->where('form', 2)->avg(DB::raw('length(data)')));
        while (count($this->chunks) > 8) {
            $gone = $this->random->pickArrayKeys($this->chunks, min(count($this->chunks) - 4, $this->random->getInt(1, 30)));
            $said = $this->store->freedBy(array_map(strval(...), $gone));
            $before = (int) DB::table('chunks')->sum(DB::raw('length(data)'));
            $this->chunks = array_diff_key($this->chunks, array_flip($gone));
            $ids = array_keys(
                array_diff(
                    DB::table('chunks')->orderByDesc('id')->pluck('address', 'id')->all(),
                    array_map(strval(...), array_keys($this->chunks)),
                ),
            );
            // All at once, or a few at a time, which may find other ways.
            $atOnce = $this->random->getInt(0, 1) === 0 ? 200 : 3;
            $freed = array_sum(array_map(fn (array $some): int => $this->store->drop($some)[1], array_chunk($ids, $atOnce)));
            $this->assertAllThere();
            self::assertSame(count($this->chunks), DB::table('chunks')->count());
            self::assertSame($before - (int) DB::table('chunks')->sum(DB::raw('length(data)')), $freed);
            $atOnce > count($ids) && self::assertSame($freed, $said);
        }
    }

    public function test_what_rests_on_something_damaged_is_told_and_is_whole_again_with_it(): void
    {
        $base = DB::table('chunks')
            ->whereNull('base')
            ->whereIn('id', DB::table('chunks')->whereNotNull('base')->select('base'))
            ->first() ?? self::fail('there is no base');
        DB::table('chunks')
            ->where('id', $base->id)
            ->update(['data' => 'spoilt']);
        $missing = $this->store->missing(array_map(strval(...), array_keys($this->chunks)));
        self::assertGreaterThan(5, count($missing));
        try {
            $this->store->read([$missing[1]]);
            self::fail('something damaged was read');
        } catch (ChunkMissing) {
        }
        self::assertSame([0, 0], $this->store->drop([(int) $base->id]));
        self::assertSame(1, Artisan::call('attic:verify'));
        $this->store->write([(string) $base->address => $this->chunks[(string) $base->address]]);
        $this->assertAllThere();
        self::assertSame(0, Artisan::call('attic:verify'), Artisan::output());
    }
}

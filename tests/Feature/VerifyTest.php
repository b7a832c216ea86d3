<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Item;
use App\Models\Role;
use App\Models\User;
use App\Models\Version;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Store\ChunkMissing;
use MistyAttic\Core\Store\ChunkStore;
use MistyAttic\Core\Store\TreeStore;

/** Verifying finds what is wrong: each case breaks one thing by hand. */
final class VerifyTest extends FeatureCase
{
    private Item $item;

    protected function setUp(): void
    {
        parent::setUp();
        $ines = $this->person('Ines Oduya');
        $this->item = $this->document($this->shelf('Volunteers', [[$ines, Role::Owner]]), $ines, ...array_map(fn (int $at) => "Paragraph {$at}, of some length.", range(1, 60)));
        $this->save($this->item, $ines, $this->paragraphs(...array_map(fn (int $at) => "Paragraph {$at}, of some length.", range(1, 61))));
        $this->assertVerified();
    }

    public function test_a_changed_byte(): void
    {
        DB::statement('UPDATE chunks SET data = zeroblob(length(data)) WHERE id = (SELECT max(id) FROM chunks)');
        $this->assertComplains('can not be read back', 'does not have the content');
    }

    public function test_a_missing_chunk(): void
    {
        DB::statement('PRAGMA foreign_keys = OFF');
        DB::statement('DELETE FROM chunks WHERE id = (SELECT max(id) FROM chunks)');
        $this->assertComplains('is not in the store');
    }

    public function test_a_head_that_is_not_its_version(): void
    {
        DB::table('items')->update(['root' => str_repeat('0', 40)]);
        $this->assertComplains('does not stand at its version 3');
    }

    public function test_a_lost_version(): void
    {
        DB::table('versions')->where('number', 2)->delete();
        $this->assertComplains('touches of a version 2');
    }

    public function test_a_version_with_another_root(): void
    {
        DB::table('versions')->where('number', 2)->update(['root' => str_repeat('1', 40)]);
        $this->assertComplains('is not in the store');
    }

    public function test_a_sweep_keeps_what_live_roots_need_and_the_bases_of_their_deltas(): void
    {
        $ines = User::query()->firstOrFail();
        for ($round = 1; $round < 8; $round++) {
            $this->save($this->item, $ines, $this->paragraphs(...array_map(fn (int $at) => "Paragraph {$at}, of some length.".($at === 30 ? " Edited {$round} times." : ''), range(1, 61))));
        }
        $roots = Version::query()->orderBy('number')->pluck('root')->map(fn ($root) => (string) hex2bin((string) $root))->all();
        $store = $this->app->make(ChunkStore::class);
        $trees = new TreeStore($store);
        $newest = $trees->tree($roots[count($roots) - 1]);
        self::assertGreaterThan(0, DB::table('chunks')->whereNotNull('base')->count());
        self::assertSame(0, $store->idle($trees->live($roots)), 'nothing is idle while every version is kept');

        $live = $trees->live([$roots[1], $roots[count($roots) - 1]]);
        $idle = $store->idle($live);
        $bytes = (int) DB::table('chunks')->sum(DB::raw('length(data)'));
        self::assertGreaterThan(0, $idle);
        self::assertSame($idle, $store->sweep($live));
        self::assertSame($bytes - $idle, (int) DB::table('chunks')->sum(DB::raw('length(data)')));
        self::assertSame(0, $store->idle($live));
        self::assertEquals($newest->parts, $trees->tree($roots[count($roots) - 1])->parts);
        self::assertCount(60, $trees->tree($roots[1])->parts);
        self::assertSame([], DB::select('PRAGMA foreign_key_check'));
        $this->expectException(ChunkMissing::class);
        $trees->tree($roots[count($roots) - 2]);
    }

    private function assertComplains(string ...$any): void
    {
        self::assertSame(1, Artisan::call('attic:verify'));
        $said = Artisan::output();
        self::assertNotEmpty(array_filter($any, fn (string $text) => str_contains($said, $text)), $said);
    }
}

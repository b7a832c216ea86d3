<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Item;
use App\Models\Role;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

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

    private function assertComplains(string ...$any): void
    {
        self::assertSame(1, Artisan::call('attic:verify'));
        $said = Artisan::output();
        self::assertNotEmpty(array_filter($any, fn (string $text) => str_contains($said, $text)), $said);
    }
}

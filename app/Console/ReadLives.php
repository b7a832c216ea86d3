<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Item;
use App\Models\Version;
use App\Store\Lives;
use App\Store\States;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\History\Touched;
use MistyAttic\Core\Kinds\Kinds;

/** Reads the texts of every version in, so that they are found. Can be stopped, and goes on where it was. */
final class ReadLives extends Command
{
    protected $signature = 'attic:lives {--anew : Throw away what is read, and read all of it} {--item= : Read one item anew, by its key}';

    protected $description = 'Reads in the texts of all versions that are not found yet';

    public function handle(States $states, Lives $lives): int
    {
        if ($this->option('anew')) {
            DB::table('items')->update(['is_read' => 0]);
        }
        if (is_string($this->option('item')) && DB::table('items')->where('key', $this->option('item'))->update(['is_read' => 0]) === 0) {
            $this->error("There is no item with the key {$this->option('item')}.");

            return self::FAILURE;
        }
        $count = Item::query()->where('is_read', false)->count();
        $done = 0;
        foreach (Item::query()->where('is_read', false)->lazyById(50) as $item) {
            DB::transaction(fn () => $this->read($item, $states, $lives));
            $this->output->isVerbose() && $this->line(++$done." of {$count}: {$item->title}");
        }
        $this->line("{$count} items read.");

        return self::SUCCESS;
    }

    private function read(Item $item, States $states, Lives $lives): void
    {
        $kind = Kinds::named($item->kind);
        DB::table('lives')->where('item_id', $item->id)->delete();
        $before = PartTree::of([]);
        $root = '';
        foreach (Version::query()->where('item_id', $item->id)->orderBy('number')->cursor() as $version) {
            $after = $version->root === $root ? $before : $states->tree($version->root);
            $changes = $version->root === $root ? null : TreeCompare::of($before, $after);
            $touched = $changes === null ? [] : [...array_map(strval(...), array_keys(Touched::by($changes, $kind))), ...Touched::followed($changes, $kind)];
            $lives->write($item, $version->number, false, $kind, $touched, $after, $version->title);
            [$before, $root] = [$after, $version->root];
        }
        DB::table('items')->where('id', $item->id)->update(['is_read' => 1]);
    }
}

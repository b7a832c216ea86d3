<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Item;
use App\Models\Version;
use App\Store\Lives\LifeBlocks;
use App\Store\Lives\Lives;
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

    /**
     * Parts that are written while others wait, each with all its cells, and blocks of lives that are deleted: about a tenth of a second.
     */
    private const WRITTEN = 40;

    private const DELETED = 50;

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
            $this->read($item, $states, $lives);
            $this->output->isVerbose() && $this->line(++$done." of {$count}: {$item->title}");
        }
        $this->line("{$count} items read.");

        return self::SUCCESS;
    }

    /** A little at a time, so that nobody who saves waits for long; what is stopped begins again, since nothing says how far it came. */
    private function read(Item $item, States $states, Lives $lives): void
    {
        while (! DB::transaction(fn (): bool => (new LifeBlocks($item))->forget(self::DELETED)));
        [$before, $after] = [PartTree::of([]), PartTree::of([])];
        [$number, $root, $title] = [0, '', ''];
        do {
            for (
                $version = $this->next($item, $number, $root, $title);
                $version !== null;
                $version = $this->next($item, $number, $root, $title)
            ) {
                // Of one that grew meanwhile, all of it is read again.
                $grew = $version->number === $number;
                [$before, $from] = $grew ? [$before, ''] : [$after, $root];
                $after = $version->root === $from ? $before : $states->tree($version->root);
                $this->write($item, $version, $grew, $before, $after, $lives);
                [$number, $root, $title] = [$version->number, $version->root, $version->title];
            }
            $isRead = DB::transaction(
                fn (): bool => $this->next($item, $number, $root, $title) === null
                    && DB::table('items')
                        ->where('id', $item->id)
                        ->update(['is_read' => 1]) > 0,
            );
        } while (! $isRead && DB::table('items')->where('id', $item->id)->exists());
    }

    /** The version after the one that was read last, or that one if it is another by now. */
    private function next(Item $item, int $number, string $root, string $title): ?Version
    {
        return Version::query()
            ->where('item_id', $item->id)
            ->where(
                fn ($query) => $query
                    ->where('number', '>', $number)
                    ->orWhere(
                        fn ($grown) => $grown
                            ->where('number', $number)
                            ->where(fn ($other) => $other->where('root', '!=', $root)->orWhere('title', '!=', $title)),
                    ),
            )
            ->orderBy('number')
            ->first();
    }

    private function write(Item $item, Version $version, bool $grew, PartTree $before, PartTree $after, Lives $lives): void
    {
        $kind = Kinds::named($item->kind);
        $changes = TreeCompare::of($before, $after);
        $touched = [...array_map(strval(...), array_keys(Touched::by($changes, $kind))), ...Touched::followed($changes, $kind)];
        foreach (array_chunk($touched, self::WRITTEN) ?: [[]] as $at => $some) {
            DB::transaction(fn () => $lives->write($item, $version->number, $grew && $at === 0, $kind, $some, $after, $version->title));
        }
    }
}

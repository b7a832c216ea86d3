<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Models\Item;
use App\Models\Version;
use App\Store\FileBytes;
use App\Store\States;
use App\View\ReadAs;
use Closure;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Match\Matching;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\History\Touch;
use MistyAttic\Core\History\Touched;
use MistyAttic\Core\Kinds\Fresh;

/**
 * Two versions of a file as what they are read as. Its parts have no ids of their own: those that go together are told by what they hold,
 * from version to version, so that each change is known to be of who brought it.
 */
final readonly class Told
{
    /** Versions that are read, and bytes of all of them: of more, the two ends alone. */
    private const MOST = 12;

    private const MOST_BYTES = 20_971_520;

    public function __construct(private States $states, private FileBytes $bytes) {}

    /**
     * @param  Closure(FileState): Content  $read
     * @return ReadAs|null null when either can't be read, or they are of two kinds
     */
    public function between(Item $item, Version $from, Version $to, Closure $read): ?ReadAs
    {
        try {
            $first = $read($this->file($from->root));
            $kind = $first->kind;
            $touches = [];
            $tree = $first->tree;
            foreach ($from->number === $to->number ? [] : $this->steps($item, $from, $to) as $version) {
                $next = $read($this->file($version->root));
                if ($next->kind->name() !== $kind->name()) {
                    return null;
                }
                $matched = $this->matched($tree, $next, $touches);
                foreach (Touched::by(TreeCompare::of($tree, $matched), $kind) as $part => $what) {
                    $touches[(string) $part][] = new Touch((string) $part, $version->number, $version->user_id, $what, null);
                }
                $tree = $matched;
            }
        } catch (Unreadable) {
            return null;
        }

        return new ReadAs($kind, $first->tree, $tree, $touches);
    }

    /**
     * Under the ids of what was there before; what is new has one that nothing had.
     *
     * @param  array<string, mixed>  $known  ids that were there in between
     */
    private function matched(PartTree $before, Content $next, array $known): PartTree
    {
        $matched = Matching::adopt($before, $next->tree, $next->kind->grid())->tree;
        $ids = [];
        foreach ($matched->parts as $part) {
            if (! $before->has($part->id) && isset($known[$part->id])) {
                $ids[$part->id] = 'n'.count($known).'x'.count($ids);
            }
        }

        return $ids === [] ? $matched : Fresh::ids($matched, $ids);
    }

    private function file(string $root): FileState
    {
        return new FileState($this->states->tree($root), $this->bytes);
    }

    /** @return list<Version> those that brought another state, the last of them the later end; of many, that alone */
    private function steps(Item $item, Version $from, Version $to): array
    {
        $between = Version::query()
            ->where('item_id', $item->id)
            ->where('number', '>', $from->number)
            ->where('number', '<=', $to->number)
            ->orderByDesc('number')
            ->limit(self::MOST + 1)
            ->get(['id', 'number', 'root', 'user_id'])
            ->reverse()
            ->values();
        $steps = [];
        $root = $from->root;
        $most = min(self::MOST, intdiv(self::MOST_BYTES, max(1, $this->file($to->root)->size)));
        foreach ($between->count() > $most ? [$to] : $between as $version) {
            if ($version->root !== $root || $version->number === $to->number) {
                $steps[] = $version;
            }
            $root = $version->root;
        }

        return $steps;
    }
}

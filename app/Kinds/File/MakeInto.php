<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Making\BringInFile;
use App\Making\BroughtFile;
use App\Making\MakeItem;
use App\Making\Making as AnyMaking;
use App\Models\Item;
use App\Models\Rooms;
use App\Models\Shelf;
use App\Models\Version;
use App\Store\FileBytes;
use App\Store\States;
use Illuminate\Support\Collection;
use MistyAttic\Core\Formats\UnknownEncoding;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Kinds;

/** Makes an item of another kind of a file, with a version for each version of the file that can be read, by whoever brought it. */
final readonly class MakeInto
{
    /** Versions that are read, the newest of them. */
    private const MOST = 60;

    public function __construct(private States $states, private FileBytes $bytes, private MakeItem $make, private BringInFile $bring) {}

    /** @return list<string> the kinds that it can become */
    public static function kinds(FileState $file, Shelf $shelf): array
    {
        $found = [];
        foreach (Reading::canBeParts($file) ? Kinds::all() : [] as $kind) {
            $making = Rooms::of($kind->name(), AnyMaking::class);
            if (
                $making::OFFERED !== null
                && $file->ending() !== 'json'
                && in_array($file->ending(), $making::ENDINGS, true)
                && $making->page($shelf) === null
            ) {
                $found[] = $kind->name();
            }
        }

        return $found;
    }

    /** @throws Unreadable when not even the newest version can be read */
    public function handle(Item $item, string $kind): Item
    {
        $making = Rooms::of($kind, AnyMaking::class);
        $made = null;
        foreach ($this->versions($item) as $version) {
            $file = new FileState($this->states->tree($version->root), $this->bytes);
            try {
                $content = $making->read($kind, new BroughtFile($file->name, $file->whole()));
            } catch (Unreadable|UnknownEncoding $e) {
                if ($version->number === $item->head && $made === null) {
                    throw $e instanceof Unreadable ? $e : Unreadable::because(__('file.unknown_letters'));
                }

                continue;
            }
            if ($content->kind->name() !== $kind) {
                continue;
            }
            $note = mb_substr(
                __('file.made_of', ['number' => (string) $version->number, 'name' => $file->name]),
                0,
                (int) config('attic.note'),
            );
            if ($made === null) {
                $made = $this->make->handle(
                    $item->shelf,
                    $version->user,
                    $kind,
                    pathinfo($item->title, PATHINFO_FILENAME) ?: $item->title,
                    content: $content,
                    note: $note,
                );
            } else {
                $this->bring->handle($made, $version->user, $content, $file->name, left: $note);
            }
        }

        return $made ?? throw Unreadable::because(__('file.none_readable'));
    }

    /** @return Collection<int, Version> the oldest first */
    private function versions(Item $item): Collection
    {
        return Version::query()
            ->with('user')
            ->where('item_id', $item->id)
            ->orderByDesc('number')
            ->limit(self::MOST)
            ->get()
            ->reverse()
            ->values();
    }
}

<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\Store\Chunks\SqliteChunkStore;
use Closure;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Store\ChunkMissing;
use MistyAttic\Core\Store\PieceCutter;
use MistyAttic\Core\Store\PieceList;

/**
 * Takes files in, slice by slice, and cuts them into pieces as they come: a large file whose most pieces are there already costs little.
 */
final readonly class ReceiveFile
{
    /** Bytes of the largest file. */
    public const MOST = 209_715_200;

    /** Bytes of one slice. */
    public const SLICE = 4_194_304;

    /** How many somebody may have under way. */
    public const AT_ONCE = 6;

    public function __construct(private SqliteChunkStore $chunks, private KeepFile $keep) {}

    /**
     * @param  Item|null  $item  the file that it is to be the next version of
     *
     * @throws ValidationException when it is too large, or too many are under way
     */
    public function begin(Shelf $shelf, User $person, string $name, int $size, ?Item $item): Upload
    {
        if ($size > self::MOST) {
            throw ValidationException::withMessages(['size' => __('file.too_big', ['max' => (string) intdiv(self::MOST, 1_048_576)])]);
        }
        if (Upload::query()->underWay()->where('user_id', $person->id)->count() >= self::AT_ONCE) {
            throw ValidationException::withMessages(['size' => __('file.too_many', ['max' => (string) self::AT_ONCE])]);
        }

        return Upload::query()->create([
            'key' => MakeItem::key().MakeItem::key(),
            'user_id' => $person->id,
            'shelf_id' => $shelf->id,
            'item_id' => $item?->id,
            'name' => self::named($name),
            'size' => $size,
            'touched_at' => now()->getTimestamp(),
        ]);
    }

    /**
     * The next slice, or one that came already: then its answer was lost.
     *
     * @return int how many bytes are there now; where the next slice begins
     */
    public function slice(Upload $upload, int $at, string $bytes): int
    {
        if ($at !== $upload->got || $at + strlen($bytes) > $upload->size || strlen($bytes) > self::SLICE) {
            return $upload->got;
        }
        $cutter = new PieceCutter($upload->rest);
        $pieces = $cutter->take($bytes);
        [$chunks, $list] = self::listed($pieces, PieceList::read($upload->pieces));

        // Others may write until the rows go in.
        $packed = $this->chunks->pack($chunks);

        return DB::transaction(function () use ($upload, $at, $bytes, $cutter, $packed, $list): int {
            // The same slice may have been sent twice at once.
            if ($upload->refresh()->got === $at) {
                $this->chunks->insert($packed);
                $upload->update([
                    'got' => $at + strlen($bytes),
                    'rest' => $cutter->rest(),
                    'pieces' => $list->chunk(),
                    'touched_at' => now()->getTimestamp(),
                ]);
            }

            return $upload->got;
        });
    }

    /**
     * All that came becomes an item, or the next version of one.
     *
     * @throws ValidationException when something of it did not come
     */
    public function finish(Upload $upload, User $person): Item
    {
        [$chunks, $list] = self::listed((new PieceCutter($upload->rest))->finish(), PieceList::read($upload->pieces));
        $this->chunks->write($chunks);
        $item = $upload->item;
        try {
            $list->bytes() === $upload->size || throw ValidationException::withMessages(['size' => __('file.not_whole')]);
            $done = $item === null
                ? $this->keep->asNew($upload->shelf, $person, $upload->name, $list)
                : $this->keep->asNext($item, $person, $upload->name, $list);
        } catch (ChunkMissing) {
            throw ValidationException::withMessages(['size' => __('file.not_whole')]);
        }
        $upload->delete();

        return $done;
    }

    /**
     * A file that came whole.
     *
     * @param  (Closure(): string)|null  $ids  gives new parts their ids; at random if not given
     *
     * @throws ValidationException
     */
    public function whole(Shelf $shelf, User $person, string $name, string $bytes, ?Item $item, ?Closure $ids = null): Item
    {
        $cutter = new PieceCutter;
        [$chunks, $list] = self::listed([...$cutter->take($bytes), ...$cutter->finish()], new PieceList);
        $this->chunks->write($chunks);

        return $item === null
            ? $this->keep->asNew($shelf, $person, self::named($name), $list, $ids)
            : $this->keep->asNext($item, $person, self::named($name), $list, $ids);
    }

    /**
     * @param  list<string>  $pieces
     * @return array{array<string, string>, PieceList}
     */
    private static function listed(array $pieces, PieceList $before): array
    {
        $chunks = [];
        $all = $before->pieces;
        foreach ($pieces as $piece) {
            $address = Address::of($piece);
            $chunks[$address] = $piece;
            $all[] = [$address, strlen($piece)];
        }

        return [$chunks, new PieceList($all)];
    }

    /** What a file is called, as one word of a path. */
    private static function named(string $name): string
    {
        $name = trim((string) preg_replace('/[\x00-\x1F\x7F]+/u', '', mb_scrub(basename(str_replace('\\', '/', $name)))));

        return $name === '' ? 'file' : mb_substr($name, -200);
    }
}

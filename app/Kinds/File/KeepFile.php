<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Making\MakeItem;
use App\Models\Item;
use App\Models\Picture;
use App\Models\Shelf;
use App\Models\User;
use App\Models\Version;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\Chunks\SqliteChunkStore;
use App\Store\FileBytes;
use App\Store\States;
use Closure;
use finfo;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Compare\Match\Matching;
use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\File\TextFile;
use MistyAttic\Core\Kinds\File\FileKind;
use MistyAttic\Core\Kinds\File\FileRole;
use MistyAttic\Core\Kinds\Fresh;
use MistyAttic\Core\Store\PieceList;

/** Makes an item, or a version, of a file whose pieces are there. What it is, its bytes say. */
final readonly class KeepFile
{
    /** Bytes by which it is told what a file is. */
    private const LOOKED_AT = 262_144;

    /** Versions that a text may have been made from. */
    private const LOOKED_BACK = 12;

    public function __construct(
        private SqliteChunkStore $chunks,
        private FileBytes $bytes,
        private MakeItem $make,
        private SaveState $save,
        private States $states,
    ) {}

    /** @param (Closure(): string)|null $ids gives new parts their ids; at random if not given */
    public function asNew(Shelf $shelf, User $maker, string $name, PieceList $list, ?Closure $ids = null): Item
    {
        $tree = self::matched(PartTree::of([]), $this->tree($name, $list), $ids);

        return $this->make->handle(
            $shelf,
            $maker,
            (new FileKind)->name(),
            $name,
            content: new Content(new FileKind, $tree),
            keepIds: true,
            first: fn (Item $item) => $this->rest($item, $tree, $list),
        );
    }

    /**
     * @param  (Closure(): string)|null  $ids  gives new parts their ids; at random if not given
     *
     * @throws ValidationException when it is what is there
     */
    public function asNext(Item $item, User $editor, string $name, PieceList $list, ?Closure $ids = null): Item
    {
        $new = $this->tree($name, $list);
        [$root, $number] = $this->madeFrom($item, $editor, $new);
        $base = $this->states->tree($root);
        $tree = self::matched($base, $new, $ids);
        if ($tree->equals($base)) {
            throw ValidationException::withMessages(['file' => __('item.file_same')]);
        }
        $this->rest($item, $tree, $list);
        $note = __($number === $item->head ? 'item.from_file' : 'file.from_older', ['name' => $name, 'number' => (string) $number]);
        $saved = $this->save->handle(
            $item,
            $editor,
            new Sent($root, $tree, 'file', keep: true, note: mb_substr($note, 0, (int) config('attic.note')), grows: false),
        );
        if (! ($saved instanceof Saved)) {
            throw ValidationException::withMessages(['file' => __('file.not_whole')]);
        }

        return $item->refresh();
    }

    /**
     * The version that a text was made from: of the newest, back to the last that its editor made, that whose lines differ least from it,
     * so that what others brought since stays. A text that is what an older version was is meant to be that again.
     *
     * @return array{string, int} its root and number
     */
    private function madeFrom(Item $item, User $editor, PartTree $new): array
    {
        $lines = self::lines($new);
        $found = [$item->root, $item->head];
        if ($lines === []) {
            return $found;
        }
        [$least, $own] = [null, false];
        foreach (
            Version::query()
                ->where('item_id', $item->id)
                ->orderByDesc('number')
                ->limit(self::LOOKED_BACK)
                ->get(['number', 'root', 'user_id']) as $version
        ) {
            $then = self::lines($this->states->tree($version->root));
            [$came, $went] = [array_diff_key($lines, $then), array_diff_key($then, $lines)];
            $apart = [count($came) + count($went), self::wordsApart($came, $went)];
            if ($apart[0] === 0) {
                return [$item->root, $item->head];
            }
            if (! $own && ($least === null || $apart < $least)) {
                [$least, $found] = [$apart, [$version->root, $version->number]];
            }
            $own = $own || $version->user_id === $editor->id;
        }

        return $found;
    }

    /** @return array<string, true> each with how often it came before; none for what is no text */
    private static function lines(PartTree $tree): array
    {
        $lines = $times = [];
        foreach ($tree->parts as $part) {
            if ($part->role === FileRole::Line->value) {
                $text = $part->richText()->text();
                $times[$text] = ($times[$text] ?? 0) + 1;
                $lines["{$times[$text]} {$text}"] = true;
            }
        }

        return $lines;
    }

    /**
     * @param  array<string, true>  $some
     * @param  array<string, true>  $others
     * @return int words that the one side has more often
     */
    private static function wordsApart(array $some, array $others): int
    {
        $times = [];
        foreach ([[1, $some], [-1, $others]] as [$one, $side]) {
            foreach (preg_split('~\W+~u', implode(' ', array_keys($side)), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
                $times[$word] = ($times[$word] ?? 0) + $one;
            }
        }

        return array_sum(array_map(abs(...), $times));
    }

    /** The new one under the ids of the old: the file is the same one, and its lines are told by what they say. */
    private static function matched(PartTree $old, PartTree $new, ?Closure $fresh): PartTree
    {
        $matched = Matching::adopt($old, $new)->tree;
        $ids = [];
        foreach ($matched->parts as $part) {
            $old->has($part->id) || $ids[$part->id] = $fresh === null ? MakeItem::partId() : $fresh();
        }

        return Fresh::ids($matched, ($old->parts === [] ? [] : [$matched->parts[0]->id => $old->parts[0]->id]) + $ids);
    }

    private function tree(string $name, PieceList $list): PartTree
    {
        $size = $list->bytes();
        $text = $size > TextFile::MOST ? null : $this->bytes->whole($list);
        $head = $text ?? '';
        $sum = hash_init('sha256');
        foreach ($text === null ? $this->bytes->stream($list) : [$text] as $piece) {
            hash_update($sum, $piece);
            $head .= strlen($head) < self::LOOKED_AT ? $piece : '';
        }
        $media = self::media($name, substr($head, 0, self::LOOKED_AT));
        $lines = $text === null || ! self::isText($media) ? null : TextFile::tree($name, $media, $text);

        return $lines
            ?? PartTree::of([
                new Part('file', FileRole::Bytes->value, 0, [
                    'name' => $name,
                    'media' => $media,
                    'size' => $size,
                    'chunk' => bin2hex(Address::of($list->chunk())),
                    'sha256' => hash_final($sum),
                    'mark' => false,
                ]),
            ]);
    }

    /** Of a text, what its ending says it is; else what its bytes say. */
    private static function media(string $name, string $head): string
    {
        $found = (string) (new finfo(FILEINFO_MIME_TYPE))->buffer($head);
        $ending = strtolower(pathinfo($name, PATHINFO_EXTENSION));

        return match (true) {
            $head === '' => 'text/plain',
            str_starts_with($found, 'text/') || $found === 'application/json' => [
                'md' => 'text/markdown',
                'markdown' => 'text/markdown',
                'csv' => 'text/csv',
                'tsv' => 'text/tab-separated-values',
                'html' => 'text/html',
                'htm' => 'text/html',
                'json' => 'application/json',
            ][$ending] ?? 'text/plain',
            // A document of an office is an archive besides.
            $found === 'application/zip' && isset(self::OFFICE[$ending]) => self::OFFICE[$ending],
            default => preg_match('~^[a-z]+/[\w.+-]{1,90}$~D', $found) === 1 ? $found : 'application/octet-stream',
        };
    }

    /** A PDF may be made of letters alone, and is no text. */
    private static function isText(string $media): bool
    {
        return str_starts_with($media, 'text/')
            || in_array(
                $media,
                ['application/json', 'application/xml', 'application/javascript', 'image/svg+xml', 'application/octet-stream'],
                true,
            );
    }

    private const OFFICE = [
        'docx' => 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
        'xlsx' => 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
        'odt' => 'application/vnd.oasis.opendocument.text',
        'ods' => 'application/vnd.oasis.opendocument.spreadsheet',
    ];

    /**
     * Keeps what the state refers to: an item refers to files of its own alone. In one step, so that no sweep comes between.
     *
     * @throws ValidationException when a sweep came before, and took pieces that were idle until now
     */
    private function rest(Item $item, PartTree $tree, PieceList $list): void
    {
        $file = $tree->parts[0];
        if ($file->string('chunk') === '') {
            return;
        }
        $size = str_starts_with($file->string('media'), 'image/') && $list->bytes() < 20_971_520
            ? @getimagesizefromstring($this->bytes->whole($list))
            : false;
        DB::transaction(function () use ($item, $file, $list, $size): void {
            if (! $this->chunks->holds(array_column($list->pieces, 0))) {
                throw ValidationException::withMessages(['file' => __('file.not_whole')]);
            }
            $this->chunks->write([(string) hex2bin($file->string('chunk')) => $list->chunk()]);
            Picture::query()->firstOrCreate(
                ['item_id' => $item->id, 'chunk' => $file->string('chunk')],
                ['type' => $file->string('media'), 'width' => $size[0] ?? 0, 'height' => $size[1] ?? 0, 'bytes' => $list->bytes()],
            );
        });
    }
}

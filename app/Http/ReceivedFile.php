<?php

declare(strict_types=1);

namespace App\Http;

use App\Making\BroughtFile;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use MistyAttic\Core\Content\Address;
use MistyAttic\Core\Formats\Encoding;
use MistyAttic\Core\Formats\UnknownEncoding;
use MistyAttic\Core\Store\ChunkStore;

/** A file that somebody sent, now or with an earlier request that came back with a question about it. */
final readonly class ReceivedFile extends BroughtFile
{
    public static function of(Request $request): ?self
    {
        $file = $request->file('file');
        if ($file instanceof UploadedFile) {
            return new self(mb_substr(mb_scrub($file->getClientOriginalName()), -120), (string) $file->getContent());
        }
        $kept = $request->input('kept');
        if (! is_string($kept)) {
            return null;
        }
        try {
            ['chunk' => $chunk, 'name' => $name] = decrypt($kept);
        } catch (DecryptException) {
            abort(422);
        }
        $address = (string) hex2bin($chunk);
        $encoding = $request->input('encoding');

        return new self($name, app(ChunkStore::class)->read([$address])[$address] ?? abort(410), is_string($encoding) ? $encoding : null);
    }

    public function title(): string
    {
        return mb_substr(trim(pathinfo($this->name, PATHINFO_FILENAME)), 0, (int) config('attic.title'));
    }

    /**
     * The question how its letters are written, with what each answer makes of it.
     *
     * @return array<string, mixed> for a view
     */
    public static function question(Request $request, UnknownEncoding $unknown): array
    {
        $file = self::of($request) ?? abort(422);
        // Where two ways give the very same text there is nothing to choose.
        $texts = array_unique(
            array_combine(
                $unknown->possible,
                array_map(fn (string $name): string => (new Encoding($name))->text($file->bytes), $unknown->possible),
            ),
        );

        return [...$file->again($request), 'readings' => array_map(self::telling(...), $texts)];
    }

    /**
     * What a page needs to ask something about it, and to send the same request again with the answer.
     *
     * @return array{name: string, action: string, kept: string, sent: array<string, mixed>}
     */
    public function again(Request $request): array
    {
        $address = Address::of($this->bytes);
        app(ChunkStore::class)->write([$address => $this->bytes]);

        return [
            'name' => $this->name,
            'action' => $request->fullUrl(),
            'kept' => encrypt(['chunk' => bin2hex($address), 'name' => $this->name]),
            'sent' => array_filter($request->except(['_token', '_method', 'file', 'kept']), is_scalar(...)),
        ];
    }

    /** The first words in which letters are that could be others. */
    private static function telling(string $text): string
    {
        preg_match_all('/[^\s,;|]*[^\x00-\x7f][^\s,;|]*(?:[ ][^\s,;|]+)?/u', mb_substr($text, 0, 200_000), $found);

        return implode(
            ', ',
            array_map(fn (string $words) => mb_substr($words, 0, 40), array_slice(array_values(array_unique($found[0])), 0, 6)),
        );
    }
}

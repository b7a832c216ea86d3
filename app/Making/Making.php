<?php

declare(strict_types=1);

namespace App\Making;

use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\Saving\Saved;
use App\Saving\Unfit;
use App\Saving\UnknownBase;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\UnknownEncoding;
use MistyAttic\Core\Formats\Unreadable;

/**
 * How items of a kind come to be, empty or of a file: this is the plain way, by what was downloaded of such an item. A kind that is made in
 * another way has its own.
 */
class Making
{
    /** Endings of the files that an item is brought in from; none if it is made in no other way than here. */
    public const ENDINGS = ['json'];

    /** Whether a new one keeps the ids of the file that it comes from. */
    public const KEEPS_IDS = false;

    /** Where it is among what a shelf offers to make, from 1; null if that offers none. */
    public const OFFERED = null;

    public function __construct(protected readonly ReadFile $files, protected readonly BringInFile $bring) {}

    /** The page on which one is made, of a kind that asks for more than a name and a file. */
    public function page(Shelf $shelf): ?string
    {
        return null;
    }

    /**
     * What a file holds of which one is made. It may turn out to be of another kind, if the file says so.
     *
     * @throws Unreadable|UnknownEncoding
     */
    public function read(string $kind, BroughtFile $file): Content
    {
        FileFormat::ofPath($file->name) === FileFormat::Json || throw Unreadable::because(__('item.file_only_json', ['kind' => $kind]));

        return $this->files->item($file, $kind);
    }

    /**
     * A file as the next version.
     *
     * @param  array<string, mixed>  $sent  what was asked for besides
     * @param  bool  $sure  whether what can not be read of it may be left out
     *
     * @throws Unreadable|UnknownEncoding
     * @throws ValidationException when it is of another kind
     */
    public function next(Item $item, User $editor, BroughtFile $file, array $sent, bool $sure): Saved|Unfit|UnknownBase|LeftOutOfFile
    {
        $content = $this->read($item->kind, $file);
        if ($content->kind->name() !== $item->kind) {
            throw ValidationException::withMessages([
                'file' => __('item.file_kind', ['is' => $content->kind->name(), 'wanted' => $item->kind]),
            ]);
        }
        if ($content->left !== [] && ! $sure) {
            return new LeftOutOfFile($content->left);
        }

        return $this->bring->handle(
            $item,
            $editor,
            $content,
            $file->name,
            $sent['tab'] ?? null,
            hasIds: FileFormat::ofPath($file->name) === FileFormat::Json,
            left: LeftOutWords::note($content->left),
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\View\Block;
use App\View\Blocks;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\Unreadable;

/** One state of a file as it is looked at. */
final readonly class Seen
{
    public Face $face;

    /** What it is read as, if it is read. */
    public ?Content $content;

    public function __construct(public FileState $file, ?Face $wanted = null)
    {
        $faces = $file->faces();
        $face = in_array($wanted, $faces, true) ? $wanted : $faces[0];
        $content = null;
        try {
            $content = match ($face) {
                Face::Parts => Reading::parts($file),
                Face::Lines => Reading::lines($file),
                default => null,
            };
        } catch (Unreadable) {
            $face = Face::Bytes;
        }
        $this->face = $face;
        $this->content = $content;
    }

    /** Whether what is shown is only read from it: its parts are none of the item. */
    public function isRead(): bool
    {
        return $this->content !== null && ! ($this->face === Face::Lines && $this->file->isText);
    }

    /** @return list<Block> the first so many */
    public function blocks(int $most): array
    {
        return $this->content === null ? [] : array_slice(Blocks::plain($this->content->kind, $this->content->tree), 0, $most);
    }
}

<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Store\FileBytes;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\File\TextFile;
use MistyAttic\Core\Kinds\File\FileRole;
use MistyAttic\Core\Store\PieceList;

/** A file as a version has it. */
final readonly class FileState
{
    /** Pictures that browsers show. */
    private const PICTURES = ['image/png', 'image/jpeg', 'image/gif', 'image/webp', 'image/svg+xml'];

    /** Of the part that it is. */
    public string $id;

    public string $name;

    public string $media;

    public int $size;

    public string $sha256;

    /** Where its pieces are listed; '' for what is kept in lines. */
    public string $chunk;

    /** Whether it is kept in lines. */
    public bool $isText;

    private string $text;

    private PieceList $pieces;

    public function __construct(public PartTree $tree, private FileBytes $bytes)
    {
        $file = $tree->parts[0] ?? new Part('file', FileRole::Bytes->value, 0, []);
        $this->id = $file->id;
        $this->name = $file->string('name');
        $this->media = $file->string('media') === '' ? 'application/octet-stream' : $file->string('media');
        $this->chunk = $file->string('chunk');
        $this->isText = $this->chunk === '';
        $this->text = $this->isText ? TextFile::bytes($tree) : '';
        $this->pieces = $this->isText ? new PieceList : $bytes->list($this->chunk);
        $this->size = $this->isText ? strlen($this->text) : $file->int('size');
        $this->sha256 = $this->isText ? hash('sha256', $this->text) : $file->string('sha256');
    }

    public function whole(): string
    {
        return $this->isText ? $this->text : $this->bytes->whole($this->pieces);
    }

    /** @return iterable<string> */
    public function stream(): iterable
    {
        return $this->isText ? [$this->text] : $this->bytes->stream($this->pieces);
    }

    public function ending(): string
    {
        return strtolower(pathinfo($this->name, PATHINFO_EXTENSION));
    }

    public function isPicture(): bool
    {
        return in_array($this->media, self::PICTURES, true);
    }

    /** Whether a browser may show it in a page: nothing of it ever runs there. */
    public function isShown(): bool
    {
        return $this->isPicture();
    }

    /** @return list<Face> the telling ones first */
    public function faces(): array
    {
        return array_values(array_filter([
            $this->isPicture() ? Face::Picture : null,
            ! $this->isText && Reading::canBeParts($this) ? Face::Parts : null,
            $this->isText || Reading::canBeLines($this) ? Face::Lines : null,
            $this->isText && Reading::canBeParts($this) ? Face::Parts : null,
            Face::Bytes,
        ]));
    }

    /** How many bytes of it another one has as well. */
    public function inCommon(self $other): int
    {
        return match (true) {
            $this->sha256 === $other->sha256 => $this->size,
            $this->isText || $other->isText => 0,
            default => $this->pieces->inCommon($other->pieces),
        };
    }
}

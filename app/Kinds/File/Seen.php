<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\View\Block;
use App\View\Blocks;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\Unreadable;
use MistyAttic\Core\Kinds\Cell;

/** One state of a file as it is looked at. */
final readonly class Seen
{
    /** Rows of a tab that are shown. */
    private const ROWS = 200;

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

    /**
     * @return list<array{name: string, rows: array<string, list<string>>}> the tabs of what is a table, each with its first rows by their
     *     ids
     */
    public function tables(): array
    {
        [$tree, $grid] = [$this->content?->tree, $this->content?->kind->grid()];
        if ($tree === null || $grid === null) {
            return [];
        }

        return array_map(function (string $tab) use ($tree, $grid): array {
            $below = array_map($tree->get(...), $tree->children()[$tab] ?? []);
            $columns = array_column(array_filter($below, fn (Part $part): bool => $part->role === $grid->column), 'id');
            $rows = array_slice(array_filter($below, fn (Part $part): bool => $part->role === $grid->row), 0, self::ROWS);

            return [
                'name' => $tree->get($tab)->string('name'),
                'rows' => array_combine(
                    array_column($rows, 'id'),
                    array_map(
                        fn (Part $row): array => array_map(
                            fn (string $column): string => Cell::show($row->fields[$column] ?? null),
                            $columns,
                        ),
                        $rows,
                    ),
                ),
            ];
        }, $tree->children()[PartTree::ROOT] ?? []);
    }

    /** @return list<Block> the first so many */
    public function blocks(int $most): array
    {
        return $this->content === null ? [] : array_slice(Blocks::plain($this->content->kind, $this->content->tree), 0, $most);
    }
}

<?php

declare(strict_types=1);

namespace App\Making;

use App\Models\Item;
use App\Models\User;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Kinds\Kinds;

/** Keeps what somebody wrote in an item, and can't be saved in it, as an item of its own on the same shelf. */
final readonly class KeepAside
{
    public function __construct(private MakeItem $make) {}

    public function handle(Item $from, User $writer, PartTree $tree): Item
    {
        $kind = Kinds::named($from->kind);
        $title = __('item.aside', ['title' => mb_substr($from->title, 0, 120), 'who' => $writer->firstName()]);

        return $this->make->handle(
            $from->shelf,
            $writer,
            $from->kind,
            $title,
            content: new Content($kind, $tree),
            keepIds: true,
            picturesOf: $from,
        );
    }
}

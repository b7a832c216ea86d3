<?php

declare(strict_types=1);

namespace App\Saving;

use App\Models\Cause;
use App\Models\Item;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Gives an item another title, which is a version as any edit is. */
final readonly class RenameItem
{
    public function __construct(private WriteVersion $write) {}

    public function handle(Item $item, User $editor, string $title): void
    {
        DB::transaction(function () use ($item, $editor, $title): void {
            if ($item->refresh()->title !== $title) {
                $this->write->handle($item, $editor, new Written(null, null, $item->root, Cause::Wrote, title: $title));
            }
        });
    }
}

<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Models\Item;
use App\Models\User;
use App\View\Desks\Desk as Plain;
use App\View\Sources\Files as AnyFiles;

/** A file is looked at as it is now; it changes when another one is put in its place. */
final class Desk extends Plain
{
    public const VIEW = 'kinds.file.write';

    public const TAB = ['file', 'file'];

    public function takesProposals(Item $item): bool
    {
        return false;
    }

    public function of(Item $item, User $person, string $shown): array
    {
        $files = $item->room(AnyFiles::class);
        if (! $files instanceof Files) {
            throw new \LogicException('A file has a room of its own');
        }
        $file = $files->at($item->root);

        return ['file' => $file, 'seen' => new Seen($file), 'into' => MakeInto::kinds($file, $item->shelf)];
    }
}

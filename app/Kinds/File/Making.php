<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Making\Making as Plain;
use App\Models\Shelf;

/** A file is dropped on its shelf, pasted, or chosen on a page of its own. */
final class Making extends Plain
{
    public const ENDINGS = [];

    public const OFFERED = 7;

    public function page(Shelf $shelf): string
    {
        return route('file.new', $shelf);
    }
}

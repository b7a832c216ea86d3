<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Kinds\Dataset\Following\TellFollowers;
use App\Models\Item;
use App\Models\Version;
use App\Saving\Rules as Plain;
use MistyAttic\Core\Content\PartTree;

/** Datasets may follow a spreadsheet. */
final class Rules extends Plain
{
    public function __construct(private readonly TellFollowers $followers) {}

    public function written(Item $item, Version $version, PartTree $after): void
    {
        $this->followers->version($item, $version);
    }
}

<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Kinds\Dataset\Following\TellFollowers;
use App\Models\Item;
use App\Models\Picture;
use App\Models\User;
use App\Models\Version;
use App\Saving\Rules as Plain;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Entry\EntryKind;
use MistyAttic\Core\Kinds\Kinds;

/** What an entry answers is found by lists and sums, its pictures are kept, and datasets may follow its form. */
final class Rules extends Plain
{
    public function __construct(private readonly IndexAnswers $answers, private readonly TellFollowers $followers) {}

    public function written(Item $item, Version $version, PartTree $after): void
    {
        $this->answers->handle($item, $after);
        Picture::used($item, Kinds::chunks(new EntryKind, $after));
        $this->followers->version($item, $version);
    }

    public function removed(Item $item, User $person, bool $back): void
    {
        $this->followers->removal($item, $person, $back);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Kinds\Board;

use Illuminate\Support\Arr;
use Illuminate\Support\Facades\Lang;
use MistyAttic\Core\Kinds\Kind;
use MistyAttic\Core\Kinds\Kinds;

/** A kind that only tests have, to show that whatever holds for every kind asks nothing of any. All that knows it stands in this folder. */
final class Board
{
    public static function register(): void
    {
        if (! in_array('board', array_map(fn (Kind $kind) => $kind->name(), Kinds::all()), true)) {
            Kinds::add(new BoardKind);
        }
        // Read before more is added to it.
        Lang::get('changes.same');
        Lang::addLines(Arr::dot(['changes' => require __DIR__.'/words.php']), 'en');
    }
}

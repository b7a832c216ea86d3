<?php

declare(strict_types=1);

namespace Tests\Kinds\Board;

use Illuminate\Support\Arr;
use Illuminate\Support\Facades\Lang;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
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

    /** A board that people work on. */
    public static function start(): PartTree
    {
        return PartTree::of([
            new Part('lane1', 'lane', 0, ['title' => 'To do']),
            new Part('card1', 'card', 1, ['text' => RichText::plain('Test the sockets'), 'done' => false]),
            new Part('card2', 'card', 1, ['text' => RichText::plain('Sign the log'), 'done' => false]),
            new Part('lane2', 'lane', 0, ['title' => 'Done']),
        ]);
    }
}

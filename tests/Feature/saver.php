<?php

declare(strict_types=1);

/* Saves again and again, as one of many processes at once: php saver.php ITEM EDITOR TIMES. Prints a dot for each save. */

use App\Models\Item;
use App\Models\User;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\States;
use Illuminate\Contracts\Console\Kernel;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;

require __DIR__.'/../../vendor/autoload.php';
$app = require __DIR__.'/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();
[, $itemId, $editorId, $times] = $argv;
$editor = User::query()->findOrFail($editorId);
for ($i = 0; $i < (int) $times; $i++) {
    $item = Item::query()->findOrFail($itemId);
    $tree = $app->make(States::class)->tree($item->root);
    $own = new Part('own'.$editorId, 'paragraph', 0, ['text' => RichText::plain(str_repeat("round {$i} of {$editorId} ", 20))]);
    $parts = array_filter($tree->parts, fn (Part $part) => $part->id !== $own->id);
    $saved = $app
        ->make(SaveState::class)
        ->handle(
            $item,
            $editor,
            new Sent($item->root, PartTree::of([...array_values($parts), $own]), "saver-{$editorId}-{$i}", keep: true),
        );
    echo $saved instanceof Saved ? '.' : 'x';
}

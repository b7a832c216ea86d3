<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Models\Item;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Entry\AnswerText;

/** Keeps what an entry answers where lists and sums find it. */
final class IndexAnswers
{
    public function handle(Item $entry, PartTree $tree): void
    {
        DB::table('answers')->where('item_id', $entry->id)->delete();
        $rows = [];
        foreach ($tree->parts as $part) {
            $value = $part->fields['value'] ?? null;
            $rows[] = [
                'item_id' => $entry->id, 'form_id' => $entry->form_id, 'question' => $part->id, 'label' => $part->string('label'),
                'text' => AnswerText::of($part), 'number' => is_int($value) || is_float($value) ? $value : null,
                'choices' => $part->strings('choices') === [] ? null : json_encode($part->strings('choices')),
            ];
        }
        foreach (array_chunk($rows, 100) as $chunk) {
            DB::table('answers')->insert($chunk);
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Making\MakeItem;
use App\Models\Cause;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\User;
use App\Saving\WriteVersion;
use App\Saving\Written;
use App\Store\States;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use MistyAttic\Core\Content\PartTree;

/** Takes the answers that somebody sent as an entry of a form, an item of its own. */
final readonly class TakeEntry
{
    public function __construct(private States $states, private WriteVersion $write, private TakesAnswers $takes) {}

    /**
     * @param  Publishing  $asked  the version of the form that was live
     * @return Item|null null when the form takes none from them: it was closed meanwhile, or they have sent already
     */
    public function handle(Item $form, Publishing $asked, ?User $from, PartTree $answers): ?Item
    {
        return DB::transaction(function () use ($form, $asked, $from, $answers) {
            if ($form->refresh()->live_id === null || $this->takes->closed($form, $asked, $from) !== null) {
                return null;
            }
            $root = $this->states->keep($answers);
            $number = 1 + (int) Item::query()->where('form_id', $form->id)->max('number');
            $entry = Item::query()->create([
                'key' => MakeItem::key(),
                'shelf_id' => $form->shelf_id,
                'kind' => 'entry',
                'title' => __('form.entry', ['number' => (string) $number]),
                'head' => 0,
                'root' => $root,
                'changed_at' => now(),
                'form_id' => $form->id,
                'number' => $number,
                'asked_id' => $asked->id,
                'token' => Str::random(40),
            ]);
            $this->write->handle($entry, $from ?? User::visitor(), new Written(PartTree::of([]), $answers, $root, Cause::Made));

            return $entry;
        });
    }
}

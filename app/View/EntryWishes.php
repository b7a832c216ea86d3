<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Drafts;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\PublishingState;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Pagination\LengthAwarePaginator;

/** The changes to entries of a form that wait for a yes: those that somebody may see, each compared with what was agreed to. */
final class EntryWishes
{
    private const A_PAGE = 100;

    /** @var LengthAwarePaginator<int, Publishing> */
    public LengthAwarePaginator $wishes;

    /** @var array<int, Comparison> by wish */
    public array $comparisons = [];

    /** @var list<Publishing> answers to this person's own that they have not looked at */
    public array $refused;

    public function __construct(Item $form, User $user, States $states, Phrases $phrases)
    {
        $this->wishes = self::waiting($form, $user)->with('user', 'version', 'item.live.version')->orderBy('publishings.id')->paginate(self::A_PAGE);
        foreach ($this->wishes as $wish) {
            $wish->item->setRelation('shelf', $form->shelf);
            $agreed = $wish->item->live?->version;
            if ($agreed instanceof Version) {
                $this->comparisons[$wish->id] = new Comparison($wish->item, $agreed, $wish->version, $states, $phrases);
            }
        }
        $this->refused = array_values(Publishing::query()->with('decider', 'item', 'version')->whereIn('item_id', $form->entries()->select('id'))->where(['state' => PublishingState::Refused, 'user_id' => $user->id])->whereNull('told_at')->orderBy('id')->limit(self::A_PAGE)->get()->all());
    }

    /** @return Builder<Publishing> */
    public static function waiting(Item $form, User $user): Builder
    {
        return Publishing::query()->waiting()->whereIn('publishings.item_id', $form->entries()->whereNull('deleted_at')->select('items.id'))
            ->unless($form->shelf->letsPublish($user) || $form->shelf->drafts === Drafts::Everyone, fn ($own) => $own->where('publishings.user_id', $user->id));
    }
}

<?php

declare(strict_types=1);

namespace App\View\Desks;

use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\View\Phrases;
use App\View\Versions\RibbonData;
use App\View\Versions\SuggestedName;
use Illuminate\Database\Eloquent\Collection;

/** What is below and beside what somebody writes: the last sentence with the small ribbon, and what is held back. */
final readonly class Foot
{
    private const VERSIONS = 48;

    public function __construct(private Phrases $phrases, private RibbonData $ribbon) {}

    /** @return array{newest: Version, sentence: string, suggested: string|null, ribbon: array<string, mixed>} */
    public function of(Item $item): array
    {
        $newest = Version::query()->with('user')->where(['item_id' => $item->id, 'number' => $item->head])->firstOrFail()
            ->setRelation('item', $item->load('origin.item'));

        return [
            'newest' => $newest,
            'sentence' => $this->phrases->version($newest),
            'suggested' => SuggestedName::for($newest, $this->phrases),
            'ribbon' => $this->ribbon->of($item, self::VERSIONS),
        ];
    }

    /** @return Collection<int, HeldEdit> */
    public static function held(Item $item, User $person): Collection
    {
        return HeldEdit::query()->waitingFor($person)->where('item_id', $item->id)->with('met', 'user')->orderBy('id')->get();
    }
}

<?php

declare(strict_types=1);

namespace App\View\Readers;

use App\Models\Item;
use App\Models\Publishing;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\View\Blocks;
use App\View\HistoryAddress;
use App\View\Past;
use Closure;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Response;

/** What readers see of a kind of items: the plain one shows its parts below each other. A kind that is read in another way has its own. */
class ForReaders
{
    /** Whether it is read at its public address, where every state of it that was published can be found again. */
    public const IS_PAGE = true;

    public function __construct(protected readonly States $states) {}

    /**
     * The page at its public address.
     *
     * @param  Closure(string): string  $picture  the address of a picture, by its chunk
     */
    public function page(Publishing $publishing, Closure $picture): PublicPage
    {
        $tree = $this->states->tree($publishing->version->root);

        return new PublicPage('read-plain', [
            'blocks' => Blocks::plain($publishing->item->kind(), $tree),
            'address' => HistoryAddress::all($publishing->item),
        ]);
    }

    /**
     * What answers at the public address of a kind that is not only read.
     *
     * @param  string|null  $kept  what the address names besides
     */
    public function instead(string $address, ?string $kept): Response
    {
        abort(404);
    }

    /** What would be seen if a version was published, and how it differs from what is seen now. */
    public function seen(PublishingPlan $plan, User $person): View
    {
        return view('publish.plain', [
            'blocks' => $plan->blocks(),
            'kind' => $plan->kind,
            'view' => $plan->item->room(Past::class)::BLOCKS,
        ]);
    }

    /**
     * What else would be newer if the same version was published again.
     *
     * @return array<string, array{int, int}> the key of an item => the version of it that readers see, and the newest
     */
    public function behind(Item $item, Version $version): array
    {
        return [];
    }
}

<?php

declare(strict_types=1);

namespace App\View\Desks;

use App\Models\Item;
use App\Models\User;
use App\Store\States;
use App\View\Blocks;
use App\View\HistoryAddress;
use App\View\Past;
use Closure;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use MistyAttic\Core\Kinds\Kinds;

/**
 * The page of an item: this is the plain one, on which its parts are written field by field. A kind that is written in another way has its
 * own.
 */
class Desk
{
    public const VIEW = 'fields';

    /** Whether its windows hold what is typed until it is sent, and say every other second which state they are on. */
    public const SENDS_STATES = false;

    /** What it is called for who may write, and for others: see `item.tabs`. */
    public const TAB = ['write', 'read'];

    public function __construct(protected readonly States $states) {}

    /** @return array<string, list<mixed>> what its address may ask for */
    public function asks(): array
    {
        return [];
    }

    /**
     * What the writing desk needs besides.
     *
     * @param  string  $shown  the page of it that the address names
     * @return array<string, mixed>
     */
    public function of(Item $item, User $person, string $shown): array
    {
        return ['fields' => new PartFields(Kinds::named($item->kind), $this->states->tree($item->root))];
    }

    /** What readers see of it. */
    public function read(Item $item, User $person): View|RedirectResponse
    {
        return view('read', [
            'item' => $item,
            'blocks' => Blocks::plain($item->kind(), $this->states->tree($item->root)),
            'view' => $item->room(Past::class)::BLOCKS,
            'address' => HistoryAddress::all($item),
        ]);
    }

    /** Whether changes to it can be proposed, on a desk like this one. */
    public function takesProposals(Item $item): bool
    {
        return true;
    }

    /** Whether somebody without an account can be asked for changes to it. */
    public function asksVisitors(Item $item): bool
    {
        return $item->form_id === null && $this->takesProposals($item);
    }

    /**
     * A state of it as a form for somebody without an account.
     *
     * @param  array{tab: string, from: int}  $asked  which page of it
     */
    public function forVisitors(Item $item, string $root, array $asked): VisitorForm
    {
        return new VisitorTexts($item->kind(), $this->states->tree($root), $asked['from']);
    }

    /** @return array<string, string> what else may have moved, for a window that asks */
    public function news(Item $item): array
    {
        return [];
    }

    /**
     * A page of its own in the place of the writing desk.
     *
     * @param  array<string, mixed>  $asked  see {@see asks}
     * @param  Closure(bool): array<string, mixed>  $around  what is around it: the slips of what was said and, if wanted, the foot with
     *     save line, last sentence and small ribbon
     */
    public function page(Item $item, User $person, array $asked, Closure $around): ?View
    {
        return null;
    }
}

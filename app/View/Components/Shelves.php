<?php

declare(strict_types=1);

namespace App\View\Components;

use App\Models\Shelf;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\Request;
use Illuminate\View\Component;

/** The side column: the shelves that somebody is on, with how many items each has. */
final class Shelves extends Component
{
    /** @var Collection<int, Shelf> */
    public readonly Collection $shelves;

    public function __construct(Request $request, public readonly ?Shelf $current, public readonly string $at = 'items')
    {
        $user = $request->user();
        $this->shelves = $user instanceof User ? $user->shelves()->withCount('items')->get() : new Collection;
    }

    public function render(): View
    {
        return view('components.shelves');
    }
}

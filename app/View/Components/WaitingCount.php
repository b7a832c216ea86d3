<?php

declare(strict_types=1);

namespace App\View\Components;

use App\Models\User;
use App\View\ForYou\ForYou;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\View\Component;

/** How much waits for whoever looks: beside their name, on every screen. */
final class WaitingCount extends Component
{
    public readonly int $count;

    public function __construct(Request $request)
    {
        $user = $request->user();
        $this->count = $user instanceof User ? ForYou::count($user) : 0;
    }

    public function render(): View
    {
        return view('components.waiting-count');
    }
}

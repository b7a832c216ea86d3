<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Http\Controller;
use App\Models\Item;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Facades\Gate;

/** The way through a form again, as it is now. */
final class FlowController extends Controller
{
    public function __invoke(Item $item, Desk $desk): View
    {
        Gate::authorize('draft', $item);
        abort_unless($item->kind === 'form', 404);

        return view('kinds.form.flow', ['flow' => $desk->flow($item), 'title' => __('form.way_through')]);
    }
}

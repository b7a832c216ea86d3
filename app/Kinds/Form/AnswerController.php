<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Http\Controller;
use App\Models\Item;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Answering a form on its shelf. Works without scripts, and checks all again. */
final class AnswerController extends Controller
{
    public function __construct(private readonly AnswerDesk $desk) {}

    public function show(Request $request, Item $item): View
    {
        Gate::authorize('fill', $item);
        $live = $this->desk->live($item);

        return $this->desk->page($item, $live, $this->desk->start($live), $this->person($request));
    }

    public function store(AnswersRequest $request, Item $item): View
    {
        Gate::authorize('fill', $item);

        return $this->desk->take($request, $item, $this->person($request));
    }
}

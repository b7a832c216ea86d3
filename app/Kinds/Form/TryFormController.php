<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Http\Controller;
use App\Models\Item;
use App\Store\States;
use Illuminate\Contracts\View\View;

/** A version of a form tried out as the person answering sees it; nothing is kept. */
final class TryFormController extends Controller
{
    public function __construct(private readonly States $states) {}

    /** A version tried out as the person answering sees it; nothing is kept. */
    public function __invoke(TryFormRequest $request, Item $item, int $number): View
    {
        abort_unless($item->kind === 'form', 404);
        $version = $this->version($item, $number);
        $sent = $request->validated();
        $form = $this->states->tree($version->root);
        $answering = new Answering(
            $form,
            $sent['a'] ?? [],
            array_values(array_filter($sent['seen'] ?? [], $form->has(...))),
            [],
            $sent['to'] ?? null,
        );

        return view('kinds.form.try', [
            'item' => $item,
            'version' => $version,
            'answering' => $answering,
            'action' => route('try', [$item, $number]),
            'closed' => null,
            'public' => false,
        ]);
    }
}

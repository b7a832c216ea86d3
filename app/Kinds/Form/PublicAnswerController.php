<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Http\Controller;
use App\Models\Item;
use App\Store\States;
use Illuminate\Http\Response;

/** Answering a form at its public address, without an account and without scripts. */
final class PublicAnswerController extends Controller
{
    public function __construct(private readonly AnswerDesk $desk, private readonly States $states) {}

    public function read(string $address, ?string $kept = null): Response
    {
        $item = $this->desk->open($address);
        $live = $this->desk->live($item);
        $half = $this->desk->half($item, $kept);

        return $this->desk->uncached(
            $this->desk->page(
                $item,
                $live,
                $half === null
                    ? $this->desk->start($live)
                    : new Answering($this->states->tree($live->version->root), $half['a'], [], $half['files']),
                null,
            ),
        );
    }

    public function send(AnswersRequest $request, string $address): Response
    {
        $item = Item::query()->where(['address' => $address, 'kind' => 'form'])->firstOrFail();
        if (! $item->is_public || $item->live_id === null || ! $item->isStanding()) {
            // It went offline, or was deleted, while somebody filled it in.
            return $this->desk
                ->uncached(view('kinds.form.lost', ['typed' => $this->desk->typed($request, $item, named: false)]))
                ->setStatusCode(410);
        }

        return $this->desk->uncached(
            $request->boolean('later') ? $this->desk->later($request, $item) : $this->desk->take($request, $item, null),
        );
    }
}

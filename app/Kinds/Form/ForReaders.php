<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Models\User;
use App\View\Readers\ForReaders as Plain;
use App\View\Readers\PublishingPlan;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Response;

/** A form is answered where other kinds are read. */
final class ForReaders extends Plain
{
    public const IS_PAGE = false;

    public function instead(string $address, ?string $kept): Response
    {
        return app(PublicAnswerController::class)->read($address, $kept);
    }

    public function seen(PublishingPlan $plan, User $person): View
    {
        return view('kinds.form.seen', ['rows' => (new FormRows($plan->blocks(), false))->rows, 'comparison' => $plan]);
    }
}

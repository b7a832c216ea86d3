<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\View\Blocks;
use App\View\LookedAt;
use App\View\Past as Plain;

/** A form is looked at question by question, with the way through it. */
final class Past extends Plain
{
    public const VIEW = 'kinds.form.past';

    public const TELLS_AUTHORS = false;

    public function of(LookedAt $at): array
    {
        $was = $at->asItWas();

        return [
            'form' => new FormRows($was ? Blocks::plain($at->kind, $at->comparison->old) : Blocks::compared($at->kind, $at->comparison), ! $was && $at->address->rows === 'changed'),
            'flow' => new FlowMap($at->comparison->old, $was ? $at->comparison->old : $at->comparison->new),
            'fromLive' => $was ? $at->wasLive() : null,
        ];
    }

    public function switches(LookedAt $at): array
    {
        return self::rows($at->address);
    }
}

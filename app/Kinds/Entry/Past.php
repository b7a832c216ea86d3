<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Kinds\Form\FormRows;
use App\View\Blocks;
use App\View\LookedAt;
use App\View\Past as Plain;
use App\Words\Days;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Entry\AnswerText;

/** An entry is looked at answer by answer. */
final class Past extends Plain
{
    public const VIEW = 'kinds.entry.past';

    public const TELLS_AUTHORS = false;

    public function of(LookedAt $at): array
    {
        $was = $at->asItWas();

        return [
            'answers' => FormRows::flat(
                $was ? Blocks::plain($at->kind, $at->comparison->old) : Blocks::compared($at->kind, $at->comparison),
                ! $was && $at->address->rows === 'changed' && $at->address->from !== $at->address->to,
            ),
        ];
    }

    public function says(Part $part): string
    {
        return Days::said(AnswerText::of($part));
    }

    public function switches(LookedAt $at): array
    {
        return self::rows($at->address);
    }
}

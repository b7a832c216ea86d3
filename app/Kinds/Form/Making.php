<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Making\Making as Plain;

/** A new form has the questions of the file under their ids, so that answers can be brought along. */
final class Making extends Plain
{
    public const KEEPS_IDS = true;

    public const OFFERED = 4;
}

<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use App\Making\Making as Plain;

/** An entry is made by answering. */
final class Making extends Plain
{
    public const ENDINGS = [];
}

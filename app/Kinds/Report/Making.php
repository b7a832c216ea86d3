<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Making\Making as Plain;

/** A report is made on its shelf, empty or from one that was downloaded. */
final class Making extends Plain
{
    public const OFFERED = 5;
}

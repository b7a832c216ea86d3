<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\View\Desk as Plain;

/** A spreadsheet is written cell by cell. */
final class Desk extends Plain
{
    public const VIEW = 'sheet';
}

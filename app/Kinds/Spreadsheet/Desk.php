<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Models\Item;
use App\Models\User;
use App\View\Desks\Desk as Plain;
use App\View\Desks\VisitorForm;

/** A spreadsheet is written cell by cell. */
final class Desk extends Plain
{
    public const VIEW = 'kinds.spreadsheet.write';

    public const SENDS_STATES = true;

    public function of(Item $item, User $person, string $shown): array
    {
        return [];
    }

    public function forVisitors(Item $item, string $root, array $asked): VisitorForm
    {
        return new VisitorCells($this->states, $root, $asked['tab'], $asked['from']);
    }
}

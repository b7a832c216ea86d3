<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Models\Item;
use App\Models\User;
use App\View\HistoryAddress;
use App\View\LookedAt;
use App\View\Past as Plain;

/** A dataset is looked at by its fields and records, with what is calculated from them. */
final class Past extends Plain
{
    public const VIEW = 'kinds.dataset.past';

    public const TELLS_AUTHORS = false;

    public const CALCULATES = true;

    public function of(LookedAt $at): array
    {
        return ['data' => new DatasetCompared($at->comparison, $at->asItWas(), $at->address->rows === 'all')];
    }

    public function switches(LookedAt $at): array
    {
        return self::rows($at->address);
    }

    public function hanging(Item $item, User $person): array
    {
        return DatasetView::hanging($item, $person, $this->states);
    }

    public function needsAll(HistoryAddress $address): bool
    {
        return $address->view !== 'changed' || $address->rows === 'all';
    }
}

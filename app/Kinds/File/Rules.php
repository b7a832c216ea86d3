<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Saving\Rules as Plain;

/** A file that stopped on its way is forgotten after a day. */
final class Rules extends Plain
{
    public function forget(): array
    {
        return [Upload::query()->where('touched_at', '<', now()->subDay()->getTimestamp())->delete().' files on their way'];
    }
}

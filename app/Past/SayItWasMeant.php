<?php

declare(strict_types=1);

namespace App\Past;

use App\Models\User;
use App\Models\Version;

/** Somebody has looked at an unusual change and says that it was meant: it asks for no more looks. */
final class SayItWasMeant
{
    public function handle(Version $version, User $editor): void
    {
        Version::query()
            ->whereKey($version->id)
            ->whereNotNull('unusual')
            ->whereNull('meant_user_id')
            ->update(['meant_user_id' => $editor->id]);
    }
}

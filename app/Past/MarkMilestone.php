<?php

declare(strict_types=1);

namespace App\Past;

use App\Models\Milestone;
use App\Models\User;
use App\Models\Version;

/** Lays a name over a version, or another one. */
final class MarkMilestone
{
    public function handle(Version $version, User $editor, string $name, ?string $note = null): Milestone
    {
        return Milestone::query()->updateOrCreate(
            ['version_id' => $version->id],
            ['user_id' => $editor->id, 'name' => $name, 'note' => $note],
        );
    }
}

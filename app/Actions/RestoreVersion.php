<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Cause;
use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use Illuminate\Support\Facades\DB;

/** Makes an earlier state the newest version again; what was newest stays where it is in the history. */
final readonly class RestoreVersion
{
    public function __construct(private States $states, private WriteVersion $write) {}

    /**
     * @param  int  $seen  the number that was newest when the plan was shown
     * @return Version|null null when something was saved since the plan was shown, or when that state is the newest already
     */
    public function handle(Item $item, Version $version, User $editor, int $seen, Cause $cause = Cause::Restored): ?Version
    {
        return DB::transaction(function () use ($item, $version, $editor, $seen, $cause) {
            $item->refresh();
            if ($item->head !== $seen || $item->root === $version->root) {
                return null;
            }

            return $this->write->handle($item, $editor, new Written(
                $this->states->tree($item->root),
                $this->states->tree($version->root),
                $version->root,
                $cause,
                source: $version->number,
            ));
        });
    }
}

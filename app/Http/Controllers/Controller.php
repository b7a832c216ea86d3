<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use Illuminate\Foundation\Auth\Access\AuthorizesRequests;
use Illuminate\Http\Request;

abstract class Controller
{
    use AuthorizesRequests;

    protected function person(Request $request): User
    {
        $user = $request->user();

        return $user instanceof User ? $user : abort(401);
    }

    /** A version by its number, if the person may see it; says whether it never was or is no longer. */
    protected function version(Item $item, int $number): Version
    {
        $seen = $item->sight === null || $item->sight->sees($number);
        $version = $seen ? Version::query()->with('user', 'milestone.user')->where(['item_id' => $item->id, 'number' => $number])->first() : null;
        if ($version === null) {
            $values = ['number' => (string) $number, 'title' => $item->title, 'head' => (string) $item->head];
            $seen && $number >= 1 && $number <= $item->head ? abort(410, __('history.version_gone', $values)) : abort(404, __('history.no_such_version', $values));
        }

        return $version->setRelation('item', $item);
    }
}

<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Item;
use App\Policies\ItemPolicy;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;

/**
 * What somebody sends about the item of the address. Whether they may is asked first, so that who may not learns nothing of what would be
 * wrong with it.
 */
abstract class ItemRequest extends FormRequest
{
    /** What of {@see ItemPolicy} they need. */
    protected const RIGHT = 'view';

    public function authorize(): Response
    {
        return Gate::inspect(static::RIGHT, $this->item());
    }

    protected function item(): Item
    {
        $item = $this->route('item');

        return $item instanceof Item ? $item : abort(404);
    }
}

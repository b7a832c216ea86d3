<?php

declare(strict_types=1);

namespace App\Http\Shelf;

use App\Models\Shelf;
use App\Policies\ShelfPolicy;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;

/** What somebody sends about the shelf of the address. Whether they may is asked first. */
abstract class ShelfRequest extends FormRequest
{
    /** What of {@see ShelfPolicy} they need. */
    protected const RIGHT = 'view';

    public function authorize(): Response
    {
        return Gate::inspect(static::RIGHT, $this->shelf());
    }

    protected function shelf(): Shelf
    {
        $shelf = $this->route('shelf');

        return $shelf instanceof Shelf ? $shelf : abort(404);
    }
}

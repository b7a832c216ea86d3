<?php

declare(strict_types=1);

namespace App\Http\Keeping;

use Illuminate\Auth\Access\Response;
use Illuminate\Support\Facades\Gate;

/** The same of one shelf. */
final class LostOfShelfRequest extends LostRequest
{
    public function authorize(): Response
    {
        return Gate::inspect('lost', $this->route('shelf'));
    }
}

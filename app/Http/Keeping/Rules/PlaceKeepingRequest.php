<?php

declare(strict_types=1);

namespace App\Http\Keeping\Rules;

use Illuminate\Foundation\Http\FormRequest;

/** What is kept of the whole place, for whoever keeps it. */
final class PlaceKeepingRequest extends FormRequest
{
    use RulesAsked;

    public function authorize(): bool
    {
        return $this->user()?->keeps_place === true;
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Watching;

use App\Models\Item;
use App\Models\Shelf;
use App\Watching\Watch;
use Illuminate\Auth\Access\Response;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;

/** Of what of an item or a shelf one wants word. */
final class WatchRequest extends FormRequest
{
    public function authorize(): Response
    {
        $what = $this->route('item') ?? $this->route('shelf');

        return Gate::inspect('view', $what instanceof Item || $what instanceof Shelf ? $what : abort(404));
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['how' => ['nullable', Rule::in(Watch::HOW)]];
    }

    /** Null to say nothing. */
    public function how(): ?string
    {
        return $this->filled('how') ? $this->string('how')->toString() : null;
    }
}

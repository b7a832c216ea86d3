<?php

declare(strict_types=1);

namespace App\Http\Writing;

use App\Http\ItemRequest;
use App\Models\HeldEdit;
use Illuminate\Auth\Access\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use MistyAttic\Core\Merge\Choice;

/** What becomes of an edit that met another. */
final class SettleRequest extends ItemRequest
{
    public function authorize(): Response
    {
        return Gate::inspect('settle', [$this->item(), $this->held()]);
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'choice' => ['required', Rule::in(array_column(Choice::for($this->held()->meeting()->type), 'value'))],
            'third' => ['nullable', 'string', 'max:20000', 'required_if:choice,third'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['third.required_if' => (string) __('item.third_needed')];
    }

    private function held(): HeldEdit
    {
        $held = $this->route('held');

        return $held instanceof HeldEdit ? $held : abort(404);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Restoring;

use App\Http\ItemRequest;
use Illuminate\Auth\Access\Response;
use Illuminate\Support\Facades\Gate;

/** A restore: all of a plan, or the lines of it that are ticked, and of the datasets of a report. */
final class RestoreRequest extends ItemRequest
{
    public function authorize(): Response
    {
        $restore = Gate::inspect('restore', $this->item());

        return $restore->denied() || ! $this->isLive()
            ? $restore
            : Gate::inspect('publishNow', [$this->item(), (int) (is_string($number = $this->route('number')) ? $number : 0)]);
    }

    /** Whether readers are to see it at once. */
    public function isLive(): bool
    {
        return $this->item()->isPublishable() && $this->boolean('publish');
    }

    /** Whether anything of the datasets is ticked that a report is drawn from. */
    public function isOfData(): bool
    {
        return $this->validated('data', []) !== [];
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'seen' => ['required', 'integer', 'min:1'],
            'lines' => ['sometimes', 'integer', 'min:1'],
            'pick' => [$this->has('data') ? 'nullable' : 'required_with:lines', 'array', 'min:1'],
            'pick.*' => ['integer', 'min:0'],
            'publish' => ['sometimes', 'boolean'],
            'stop' => ['sometimes', 'boolean'],
            'data' => ['sometimes', 'array', 'max:40'],
            'data.*' => ['array', 'max:100'],
            'data.*.*' => ['integer', 'min:0'],
            'data_seen' => ['required_with:data', 'array'],
            'data_seen.*' => ['integer', 'min:1'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['pick' => (string) __('history.nothing_ticked')];
    }
}

<?php

declare(strict_types=1);

namespace App\Kinds\Entry;

use Illuminate\Auth\Access\Response;
use Illuminate\Support\Facades\Gate;

/** Which entries somebody's changes are taken out of: those that are ticked, or all of them, in pieces that go on behind the last. */
final class TakeOutOfEntriesRequest extends EntryChangesRequest
{
    /** Entries that one request takes something out of. */
    public const AT_ONCE = 100;

    public function authorize(): Response
    {
        $entries = parent::authorize();

        return $entries->denied() ? $entries : Gate::inspect('restore', $this->item());
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'all' => ['nullable', 'boolean'],
            'after' => ['nullable', 'integer', 'min:0', 'max:9999999999'],
            'of' => ['nullable', 'integer', 'min:0', 'max:9999999999'],
            'done' => ['nullable', 'integer', 'min:0', 'max:9999999999'],
            'entries' => ['required_unless:all,1', 'array', 'max:'.self::AT_ONCE],
            'entries.*' => ['string', 'max:40'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['entries.required_unless' => (string) __('form.changes.none')];
    }
}

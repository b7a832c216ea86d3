<?php

declare(strict_types=1);

namespace App\Http\Talk;

use App\Http\ItemRequest;
use App\Models\CommentDeed;
use Illuminate\Validation\Rule;

/** A line of a thread: what it does, and what is said. */
final class CommentRequest extends ItemRequest
{
    protected const RIGHT = 'comment';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'deed' => ['required', Rule::enum(CommentDeed::class)],
            'text' => ['nullable', 'required_if:deed,said,edited', 'string', 'max:'.config('attic.comment')],
            'of' => ['nullable', 'required_if:deed,edited,withdrew', 'integer', 'min:1'],
        ];
    }

    public function deed(): CommentDeed
    {
        return CommentDeed::from((string) $this->validated('deed'));
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Writing;

use App\Http\ItemRequest;
use App\Models\Proposal;
use Illuminate\Auth\Access\Response;
use Illuminate\Support\Facades\Gate;

/** Yes or no to a change that waits, or its withdrawal; `seen` is the newest version that was looked at. */
final class AnswerProposalRequest extends ItemRequest
{
    public function authorize(): Response
    {
        $proposal = $this->route('proposal');
        $see = Gate::inspect('seeProposal', [$this->item(), $proposal]);
        if ($see->denied() || ! $proposal instanceof Proposal || $proposal->line_id !== null) {
            return $see->denied() ? $see : Response::denyAsNotFound();
        }
        if ($this->input('answer') !== 'withdrawn') {
            return Gate::inspect('decide', [$this->item(), $proposal]);
        }

        return $proposal->user_id === $this->user()?->getAuthIdentifier() ? $see : Response::deny();
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'answer' => ['required', 'in:accepted,declined,withdrawn'],
            'seen' => ['required', 'integer', 'min:1', 'max:999999999'],
            'word' => ['nullable', 'string', 'max:'.config('attic.note')],
        ];
    }
}

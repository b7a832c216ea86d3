<?php

declare(strict_types=1);

namespace App\Http\Proposing;

use App\Http\ItemRequest;
use App\Models\Proposal;
use App\Models\ProposalState;
use Illuminate\Auth\Access\Response;
use Illuminate\Support\Facades\Gate;

/**
 * An answer to what somebody proposes: `do` is `accepted`, `edited` (accepted by somebody who goes on writing there), `declined` or
 * `withdrawn`, and behind it the keys of the changes that are meant, all of them if none is named; `seen` is the newest version that was
 * looked at, `state` the root of what was proposed then; `from` is `everybody` where it was answered among everybody's.
 */
final class AnswerProposalsRequest extends ItemRequest
{
    public function authorize(): Response
    {
        $proposal = $this->proposal();
        $see = Gate::inspect('seeProposal', [$this->item(), $proposal]);
        if ($see->denied() || $proposal->line_id === null) {
            return $see->denied() ? $see : Response::denyAsNotFound();
        }
        if ($this->answer() !== ProposalState::Withdrawn) {
            return Gate::inspect('decide', [$this->item(), $proposal]);
        }

        return $proposal->user_id === $this->user()?->getAuthIdentifier() ? Gate::inspect('propose', $this->item()) : Response::deny();
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'do' => [
                'required',
                'string',
                'max:4000000',
                'regex:/^(accepted|edited|declined|withdrawn)( [a-z]+:[A-Za-z0-9_\/-]+(~\d{1,6})?)*$/',
            ],
            'seen' => ['required', 'integer', 'min:1', 'max:999999999'],
            'state' => ['required', 'string', 'regex:/^[0-9a-f]{40}$/'],
            'word' => ['nullable', 'string', 'max:'.config('attic.note')],
            'from' => ['nullable', 'in:everybody'],
        ];
    }

    public function proposal(): Proposal
    {
        $proposal = $this->route('proposal');

        return $proposal instanceof Proposal ? $proposal : abort(404);
    }

    public function answer(): ?ProposalState
    {
        $said = is_string($this->input('do')) ? explode(' ', $this->input('do'), 2)[0] : '';

        return $said === 'edited' ? ProposalState::Accepted : ProposalState::tryFrom($said);
    }

    /** The part or cell that whoever accepts it goes on writing in; null when they stay here. */
    public function goesOnAt(): ?string
    {
        return preg_match('~^edited [a-z]+:([A-Za-z0-9_/-]+)~', (string) $this->validated('do'), $part) === 1 ? $part[1] : null;
    }

    /** @return list<string>|null */
    public function keys(): ?array
    {
        $keys = array_slice(explode(' ', (string) $this->validated('do')), 1);

        return $keys === [] ? null : $keys;
    }
}

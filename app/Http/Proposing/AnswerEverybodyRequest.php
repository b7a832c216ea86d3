<?php

declare(strict_types=1);

namespace App\Http\Proposing;

use App\Http\ItemRequest;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\View\Proposals\Everybody;
use App\View\Proposals\OpenProposals;
use Illuminate\Support\Facades\Gate;

/** An answer to all that several people propose: `states` is what each proposal was when it was looked at, `id => root`. */
final class AnswerEverybodyRequest extends ItemRequest
{
    protected const RIGHT = 'write';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'do' => ['required', 'in:accepted,declined'],
            'states' => ['required', 'array', 'min:1', 'max:'.Everybody::MOST],
            'states.*' => ['string', 'regex:/^[0-9a-f]{40}$/'],
            'word' => ['nullable', 'string', 'max:'.config('attic.note')],
        ];
    }

    public function answer(): ProposalState
    {
        return ProposalState::from((string) $this->validated('do'));
    }

    /** @return array<int, string> */
    public function states(): array
    {
        $states = [];
        foreach ((array) $this->validated('states') as $id => $root) {
            $states[(int) $id] = is_string($root) ? $root : '';
        }

        return $states;
    }

    /** @return list<Proposal> that this person may answer, of those that were looked at */
    public function proposals(): array
    {
        return array_values(
            (new OpenProposals($this->item()))->all
                ->filter(
                    fn (Proposal $proposal) => isset($this->states()[$proposal->id]) && Gate::allows('decide', [$this->item(), $proposal]),
                )
                ->all(),
        );
    }
}

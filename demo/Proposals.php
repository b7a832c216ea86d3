<?php

declare(strict_types=1);

namespace Demo;

use App\Models\Item;
use App\Models\Proposal;
use App\Models\ProposalState;
use App\Models\User;
use App\Proposing\DecideProposal;
use App\Proposing\OpenLine;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\Proposed;
use App\Store\States;
use MistyAttic\Core\Compare\Changes\Change;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Content\Part;

/** What people of the stories propose, and what others answer. */
final readonly class Proposals
{
    public function __construct(
        private States $states,
        private OpenLine $open,
        private SaveState $save,
        private DecideProposal $decide,
        private Proposed $proposed,
    ) {}

    /** `propose change OLD => NEW`: an edit as of the item, on a side line. */
    public function propose(Item $item, User $who, string $edit, Drafting $draft): void
    {
        $line = $this->open->handle($item, $who);
        $saved = $this->save->handle(
            $line,
            $who,
            new Sent($line->root, $draft->edit($this->states->tree($line->root), $edit), "demo-{$who->id}-{$line->id}-{$line->head}"),
        );
        $saved instanceof Saved || throw new \DomainException('could not be proposed');
    }

    /** `accept Tobi PHRASE :: WORD`, `decline Tobi PHRASE`, `withdraw`: the changes of blocks with the phrase, or all of them. */
    public function answer(Item $item, User $who, ProposalState $answer, string $rest): void
    {
        $said = explode(' :: ', $rest, 2);
        [$whose, $phrase] = [...explode(' ', $said[0], 2), ''];
        $author = $answer === ProposalState::Withdrawn
            ? $who
            : User::query()
                ->where('name', 'like', "{$whose} %")
                ->firstOrFail();
        $proposal = Proposal::lineFor($author, $item)?->setRelation('item', $item)
        ?? throw new \DomainException("{$author->name} proposes nothing");
        $this->decide->handle(
            $proposal,
            $who,
            $answer,
            $item->head,
            $proposal->root,
            $phrase === '' ? null : $this->keys($item, $proposal, $phrase),
            $said[1] ?? null,
        ) ?? throw new \DomainException('could not be answered');
    }

    /** @return non-empty-list<string> */
    private function keys(Item $item, Proposal $proposal, string $phrase): array
    {
        $now = $this->states->tree($item->root);
        $changes = TreeCompare::of($now, $this->proposed->onto($proposal, $now)->tree)->changes;
        $says = fn (?Part $part): bool => $part !== null
            && array_filter($item->kind()->texts($part), fn (string $text) => str_contains($text, $phrase)) !== [];
        $keys = array_values(
            array_map(
                fn (Change $change) => $change->key(),
                array_filter($changes, fn (Change $change) => $says($change->before) || $says($change->after)),
            ),
        );

        return $keys === [] ? throw new \DomainException("“{$phrase}” is not proposed") : $keys;
    }
}

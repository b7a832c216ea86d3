<?php

declare(strict_types=1);

namespace App\View\Plans;

use App\Models\Proposal;
use App\Models\ProposalState;
use App\Store\Proposed;
use App\Store\States;
use App\View\Past;
use App\View\Phrases;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Compare\Telling\Detail;
use MistyAttic\Core\Compare\Telling\Statements;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;

/** A proposed change, held against the newest state while it waits, and against what it started from afterwards. */
final readonly class ProposalView
{
    /** @var list<string> */
    public array $sentences;

    /** @var list<array{label: string, was: string, becomes: string, meets: bool}> what is other, one row an answer */
    public array $rows;

    public function __construct(public Proposal $proposal, States $states, Proposed $proposed, Phrases $phrases)
    {
        $isOpen = $proposal->state === ProposalState::Waiting;
        $now = $states->tree($isOpen ? $proposal->item->root : $proposal->base);
        $merged = $proposed->onto($proposal, $now);
        $changes = TreeCompare::of($now, $merged->tree);
        $this->sentences = array_map(
            $phrases->statement(...),
            Statements::of(Kinds::named($proposal->item->kind), $now, $merged->tree, $changes, Detail::Listed),
        );
        $meets = array_flip(array_column($merged->conflicts, 'id'));
        $past = $proposal->item->room(Past::class);
        $text = function (PartTree $tree, string $id) use ($past): string {
            $part = $tree->find($id);

            return $part === null ? '' : $past->says($part) ?? $part->richText()->text();
        };
        $rows = [];
        foreach ([...$now->parts, ...array_filter($merged->tree->parts, fn (Part $part) => ! $now->has($part->id))] as $part) {
            [$was, $becomes] = [$text($now, $part->id), $text($merged->tree, $part->id)];
            if ($was !== $becomes) {
                $rows[] = ['label' => $part->string('label'), 'was' => $was, 'becomes' => $becomes, 'meets' => isset($meets[$part->id])];
            }
        }
        $this->rows = $rows;
    }

}

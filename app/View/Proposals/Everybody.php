<?php

declare(strict_types=1);

namespace App\View\Proposals;

use App\Models\Proposal;
use App\Models\Version;
use App\Store\Proposed;
use App\Store\States;
use App\View\Comparison;
use App\View\Phrases;
use MistyAttic\Core\Content\PartTree;

/** What several people propose for an item, part by part in the order of the text, each beside the others'. */
final readonly class Everybody
{
    /** People of whom all is shown at once. */
    public const MOST = 12;

    /** @var list<EverybodysLine> */
    public array $lines;

    /** @var list<Proposal> of which all is shown */
    public array $shown;

    public function __construct(public OpenProposals $open, Version $newest, States $states, Proposed $proposed, Phrases $phrases)
    {
        $this->shown = array_values($open->all->take(self::MOST)->all());
        $item = $newest->item;
        $now = $states->tree($newest->root);
        $at = array_flip(array_map(fn ($part) => $part->id, $now->parts));
        $lines = [];
        foreach ($this->shown as $proposal) {
            [$root, $met] = $proposed->becomes($states, $proposal, $newest->root);
            $comparison = new Comparison($item, $newest, Version::toCome($item, $root, $newest->title, $proposal->user), $states, $phrases, apart: true);
            foreach (ProposedLine::in($comparison, $proposal, $met, $phrases) as $line) {
                $below = self::below($now, $comparison->new, explode('/', $line->line->part())[0]);
                $lines[] = [$at[$below] ?? -1, new EverybodysLine($proposal, $line, $below, $line->words($comparison, $proposal->user))];
            }
        }
        usort($lines, fn (array $one, array $two): int => $one[0] <=> $two[0]);
        $this->lines = array_column($lines, 1);
    }

    /** The part of the newest state that a part stands in, or behind; '' where it would be the first. */
    private static function below(PartTree $now, PartTree $becomes, string $part): string
    {
        while ($part !== PartTree::ROOT && ! $now->has($part)) {
            $part = $becomes->has($part) ? $becomes->previousSibling($part) ?? $becomes->parent($part) : PartTree::ROOT;
        }

        return $part;
    }
}

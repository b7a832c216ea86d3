<?php

declare(strict_types=1);

namespace App\View\Proposals;

use App\Models\Proposal;
use App\Models\Version;
use App\Store\Excerpt;
use App\Store\Proposed;
use App\Store\States;
use App\View\Phrases;
use MistyAttic\Core\Compare\Changes\TreeCompare;
use MistyAttic\Core\Content\PartTree;

/** What several people propose for an item, part by part in the order of the text, each beside the others'. */
final readonly class Everybody
{
    /** People of whom all is shown at once. */
    public const MOST = 8;

    /** @var list<EverybodysLine> */
    public array $lines;

    /** @var list<Proposal> of which all is shown */
    public array $shown;

    public function __construct(public OpenProposals $open, Version $newest, States $states, Proposed $proposed, Phrases $phrases)
    {
        $this->shown = array_values($open->all->take(self::MOST)->all());
        $kind = $newest->item->kind();
        $lines = [];
        $now = null;
        foreach ($this->shown as $proposal) {
            [$root, $met] = $proposed->becomes($states, $proposal, $newest->root);
            $excerpt = $kind->grid() === null ? null : Excerpt::of($states, $kind->grid(), $newest->root, $root);
            [$old, $new] = [$excerpt->old ?? ($now ??= $states->tree($newest->root)), $excerpt->new ?? $states->tree($root)];
            foreach (
                ProposedLine::in($kind, $old, $new, $excerpt->changes ?? TreeCompare::of($old, $new), $proposal, $met, $phrases) as $line
            ) {
                $below = self::below($old, $new, explode('/', $line->line->part())[0]);
                $lines[] = [
                    $old->position($below) ?? -1,
                    new EverybodysLine($proposal, $line, $below, $line->words($old, $new, $proposal->user)),
                ];
            }
        }
        usort($lines, fn (array $one, array $two): int => $one[0] <=> $two[0]);
        $this->lines = array_column($lines, 1);
    }

    /** The part of the newest state that a part is in, or behind; '' where it would be the first. */
    private static function below(PartTree $now, PartTree $becomes, string $part): string
    {
        while ($part !== PartTree::ROOT && ! $now->has($part)) {
            $part = $becomes->has($part) ? $becomes->previousSibling($part) ?? $becomes->parent($part) : PartTree::ROOT;
        }

        return $part;
    }
}

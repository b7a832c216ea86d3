<?php

declare(strict_types=1);

namespace App\View\Proposals;

use App\Models\Proposal;
use App\View\ChangeLine;
use App\View\Comparison;
use App\View\Phrases;
use MistyAttic\Core\Compare\Telling\Detail;
use MistyAttic\Core\Compare\Telling\Statement;
use MistyAttic\Core\Compare\Telling\Statements;

/** One change that somebody proposes, which is answered by itself. */
final readonly class ProposedLine
{
    /** @param bool $meets whether others wrote in the same place since */
    private function __construct(public ChangeLine $line, public bool $meets) {}

    /**
     * @param  list<string>  $met  {@see Proposal::$met}
     * @return list<self>
     */
    public static function in(Comparison $comparison, Proposal $proposal, array $met, Phrases $phrases): array
    {
        $met = array_flip($met);
        $lines = [];
        foreach (Statements::of($comparison->kind, $comparison->old, $comparison->new, $comparison->changes, Detail::Apart) as $statement) {
            if (! $statement->isConsequence()) {
                $meets = array_filter([...$statement->ids, ...$statement->cells ?? []], fn (string $part) => isset($met[$part])) !== [];
                $lines[] = new self(new ChangeLine($statement, $phrases->statement($statement), [], [$proposal->user], null), $meets);
            }
        }

        return $lines;
    }

    /** What answers it: see {@see Statement::keys}. */
    public function keys(): string
    {
        return implode(' ', $this->line->statement->keys());
    }
}

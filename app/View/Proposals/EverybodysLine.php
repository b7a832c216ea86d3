<?php

declare(strict_types=1);

namespace App\View\Proposals;

use App\Models\Proposal;
use App\View\SpanHtml;

/** One change that somebody proposes, beside those of others. */
final readonly class EverybodysLine
{
    /**
     * @param  string  $below  the part that it is shown below; '' for above all
     * @param  SpanHtml|null  $words  the text as it would be, marked; null where the sentence says all
     */
    public function __construct(public Proposal $proposal, public ProposedLine $of, public string $below, public ?SpanHtml $words) {}
}

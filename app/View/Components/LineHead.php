<?php

declare(strict_types=1);

namespace App\View\Components;

use App\Models\Item;
use App\Models\Proposal;
use Illuminate\Contracts\View\View;
use Illuminate\View\Component;

/** What is above the desk on which somebody proposes: the item that it is for, and whose proposal it is. */
final class LineHead extends Component
{
    /** Null when it is decided. */
    public readonly ?Proposal $proposal;

    public function __construct(public readonly Item $item)
    {
        $this->proposal = Proposal::onLine($item);
    }

    public function render(): View
    {
        return view('components.line-head');
    }
}

<?php

declare(strict_types=1);

namespace App\View\Components;

use App\Models\Version;
use Illuminate\Contracts\View\View;
use Illuminate\View\Component;

/** What can be done about an unusual change. */
final class Unusual extends Component
{
    /** The version that a restore would bring back; null for the first, before which there is none. */
    public readonly ?int $before;

    /** @param bool $look whether a look at it is offered, too */
    public function __construct(public readonly Version $version, public readonly bool $look = false)
    {
        $this->before = $version->number > 1 ? $version->item->before($version->number) : null;
    }

    public function render(): View
    {
        return view('components.unusual');
    }
}

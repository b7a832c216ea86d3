<?php

declare(strict_types=1);

namespace App\View\Components;

use Carbon\CarbonInterface;
use Illuminate\Contracts\View\View;
use Illuminate\View\Component;

/** A sentence with a moment in it (`:when`), which is shown in the reader's zone. */
final class SaidWhen extends Component
{
    public readonly string $before;

    public readonly string $after;

    /** @param array<string, string|int|null> $values */
    public function __construct(string $line, array $values, public readonly CarbonInterface $at)
    {
        [$this->before, $this->after] = explode(':when', (string) __($line, $values), 2) + ['', ''];
    }

    public function render(): View
    {
        return view('components.said-when');
    }
}

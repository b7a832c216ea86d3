<?php

declare(strict_types=1);

namespace App\View\Components;

use App\Words\Clock;
use Carbon\CarbonInterface;
use Illuminate\Contracts\Support\Htmlable;
use Illuminate\View\Component;

/** A moment, which scripts put into the words of now. Lists have hundreds of them: it is drawn without a view. */
final class When extends Component implements Htmlable
{
    public function __construct(
        private readonly CarbonInterface $at,
        private readonly bool $exact = false,
        private readonly bool $short = false,
    ) {}

    public function render(): Htmlable
    {
        return $this;
    }

    public function toHtml(): string
    {
        return '<time datetime="'
            .$this->at->toIso8601ZuluString()
            .'" data-when="'
            .($this->exact ? 'exact' : ($this->short ? 'short' : 'near'))
            .'">'
            .e(Clock::exact($this->at))
            .'</time>';
    }
}

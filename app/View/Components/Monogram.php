<?php

declare(strict_types=1);

namespace App\View\Components;

use App\Models\User;
use Illuminate\Contracts\Support\Htmlable;
use Illuminate\View\Component;

/** Whose it is, in two letters and a colour. Lists have hundreds of them: it is drawn without a view. */
final class Monogram extends Component implements Htmlable
{
    public function __construct(private readonly User $user) {}

    public function render(): Htmlable
    {
        return $this;
    }

    public function toHtml(): string
    {
        $name = e($this->user->name);

        return '<span '
            .$this->attributes->class(['monogram', "by-{$this->user->colour}"])
            ." title=\"{$name}\"><span aria-hidden=\"true\">"
            .e($this->user->monogram())
            ."</span><span class=\"is-sr-only\">{$name}</span></span>";
    }
}

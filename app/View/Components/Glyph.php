<?php

declare(strict_types=1);

namespace App\View\Components;

use Illuminate\Contracts\Support\Htmlable;
use Illuminate\View\Component;

/** A sign of the interface or of a kind. Lists have hundreds of them: each is drawn once. */
final class Glyph extends Component implements Htmlable
{
    /** @var array<string, string> name => drawing */
    private static array $drawn = [];

    public function __construct(private readonly string $name) {}

    public function render(): Htmlable
    {
        return $this;
    }

    public function toHtml(): string
    {
        return self::$drawn[$this->name] ??= view('glyph', ['name' => $this->name])->render();
    }
}

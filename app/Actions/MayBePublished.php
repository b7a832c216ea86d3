<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Item;
use App\Store\States;
use App\Words\Days;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Kinds\Form\Unready;

/** What must hold of a state that readers are to see, whoever publishes it or asks to. */
final readonly class MayBePublished
{
    public function __construct(private States $states) {}

    /** @throws ValidationException */
    public function check(Item $item, string $root): void
    {
        $problems = $item->kind === 'form' ? Unready::of($this->states->tree($root)) : [];
        if ($problems !== []) {
            throw ValidationException::withMessages(['note' => array_map(fn (Problem $problem): string => (string) __("form.unready.{$problem->code}", array_map(fn (string|int|float $value): string => Days::said((string) $value), $problem->variables)), $problems)]);
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Publishing;

use App\Models\Item;
use App\Saving\Rules;
use App\Store\States;
use Illuminate\Validation\ValidationException;

/** What must hold of a state that readers are to see, whoever publishes it or asks to. */
final readonly class MayBePublished
{
    public function __construct(private States $states) {}

    /** @throws ValidationException */
    public function check(Item $item, string $root): void
    {
        $problems = $item->room(Rules::class)->unready($this->states->tree($root));
        if ($problems !== []) {
            throw ValidationException::withMessages(['note' => $problems]);
        }
    }
}

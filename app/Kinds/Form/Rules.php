<?php

declare(strict_types=1);

namespace App\Kinds\Form;

use App\Kinds\Dataset\Following\TellFollowers;
use App\Models\Item;
use App\Models\Publishing;
use App\Saving\Rules as Plain;
use App\Store\States;
use App\Words\Days;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\Problem;
use MistyAttic\Core\Kinds\Form\FormRole;
use MistyAttic\Core\Kinds\Form\Opening;
use MistyAttic\Core\Kinds\Form\Unready;

/** Readers see a form that can be answered, and datasets may follow what is published of it. */
final class Rules extends Plain
{
    public function __construct(private readonly TellFollowers $followers, private readonly States $states) {}

    public function asks(Publishing $live, string $email): bool
    {
        $settings = array_filter(
            $this->states->tree($live->version->root)->parts,
            fn (Part $part) => $part->role === FormRole::Settings->value,
        );

        return (new Opening(array_values($settings)[0] ?? null))->names($email);
    }

    public function unready(PartTree $tree): array
    {
        return array_map(
            fn (Problem $problem): string => (string) __(
                "form.unready.{$problem->code}",
                array_map(fn (string|int|float $value): string => Days::said((string) $value), $problem->variables),
            ),
            Unready::of($tree),
        );
    }

    public function published(Item $item, Publishing $publishing): void
    {
        $this->followers->published($item, $publishing);
    }
}

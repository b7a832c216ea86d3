<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Form;

/** A way from one question to another, or to the end. */
final readonly class Arrow
{
    /**
     * @param  string|null  $to  null for the end
     * @param  string|null  $rule  the id of the skip rule behind it; null for the plain way on
     */
    public function __construct(public string $from, public ?string $to, public ?string $rule = null) {}
}

<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate;

use MistyAttic\Core\Kinds\Formulas\Reference;

/** A cell with a formula. */
final readonly class Node
{
    /**
     * @param  string  $template  with A1, A2 and so on in the places of the references
     * @param  list<Reference>  $references  as {@see Reference::from} takes them
     * @param  mixed  $value  as it is kept
     */
    public function __construct(
        public string $row,
        public string $column,
        public string $template,
        public array $references,
        public mixed $value,
    ) {}
}

<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Form;

/** The way that one set of answers takes through a form. */
final readonly class Walk
{
    /**
     * @param  list<string>  $questions  the ids of those that are asked, in order
     * @param  bool  $ended  whether a rule ended it before the last question
     */
    public function __construct(public array $questions, public bool $ended) {}

    public function asks(string $question): bool
    {
        return in_array($question, $this->questions, true);
    }
}

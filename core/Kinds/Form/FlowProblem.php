<?php

declare(strict_types=1);

namespace MistyAttic\Core\Kinds\Form;

/** Something about the way through a form that can't be meant. */
final readonly class FlowProblem
{
    /**
     * @param  'unreachable'|'circle'|'too_late'|'gone'|'choice_gone'|'empty_page'  $code
     * @param  string  $question  where it is
     * @param  string|null  $rule  the skip rule, when it is one
     * @param  string|null  $target  the question or page that the rule names, when it is there
     */
    public function __construct(public string $code, public string $question, public ?string $rule = null, public ?string $target = null) {}
}

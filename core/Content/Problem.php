<?php

declare(strict_types=1);

namespace MistyAttic\Core\Content;

/**
 * One thing that is wrong with content that was sent: what (a stable code), where (a path such as `parts.3.fields.text`)
 * and the numbers or names to say it with. All problems are collected; reading never stops at the first.
 */
final readonly class Problem
{
    /** @param array<string, string|int> $variables */
    public function __construct(
        public string $code,
        public string $path,
        public array $variables = [],
    ) {}
}

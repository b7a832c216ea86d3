<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Texts;

use MistyAttic\Core\Content\RichText;

/** A stretch of a compared text. */
final readonly class Span
{
    /**
     * @param  RichText|null  $was  for formatted spans, the text with its marks of before
     * @param  int|null  $step  which step of the range did it, see {@see TextAuthors}; null where nobody is known
     */
    public function __construct(
        public SpanKind $kind,
        public RichText $text,
        public ?RichText $was = null,
        public ?int $step = null,
    ) {}
}

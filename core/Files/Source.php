<?php

declare(strict_types=1);

namespace MistyAttic\Core\Files;

use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Unreadable;

/** A file as it was given, read when it is needed. */
final class Source
{
    private ?Content $content = null;

    /** @throws Unreadable when it is larger than the limit */
    public function __construct(
        public readonly FileFormat $format,
        public readonly string $name,
        public readonly string $bytes,
        public readonly FormatLimits $limits = new FormatLimits,
    ) {
        if (strlen($bytes) > $limits->bytes) {
            throw Unreadable::because('it is larger than '.intdiv($limits->bytes, 1_048_576).' MB');
        }
    }

    /** @throws Unreadable */
    public function content(): Content
    {
        return $this->content ??= $this->format->reader()->read($this->bytes, $this->limits);
    }
}

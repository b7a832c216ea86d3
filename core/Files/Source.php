<?php

declare(strict_types=1);

namespace MistyAttic\Core\Files;

use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\Encoding;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\FormatLimits;
use MistyAttic\Core\Formats\Unreadable;

/** A file as it was given, read when it is needed. */
final class Source
{
    private ?Content $content = null;

    /** How the letters of a text are in its bytes; of what is no text, nothing is changed by it. */
    public readonly Encoding $encoding;

    /** @throws Unreadable when it is larger than the limit, or no text where it should be one */
    public function __construct(
        public readonly FileFormat $format,
        public readonly string $name,
        public readonly string $bytes,
        public readonly FormatLimits $limits = new FormatLimits,
    ) {
        if (strlen($bytes) > $limits->bytes) {
            throw Unreadable::because('it is larger than '.intdiv($limits->bytes, 1_048_576).' MB');
        }
        if ($format->isText() && max(substr_count($bytes, "\n"), substr_count($bytes, "\r")) > $limits->lines) {
            throw Unreadable::tooLarge('it has more lines than can be compared', $limits->lines);
        }
        $this->encoding = $format->isText()
            ? Encoding::of($bytes, Encoding::declared($bytes))
                ?? ($format === FileFormat::Json ? new Encoding(Encoding::UTF8) : Encoding::kept($bytes))
            : new Encoding(Encoding::UTF8);
    }

    /** Its text in UTF-8. */
    public function text(): string
    {
        return $this->encoding->text($this->bytes);
    }

    /** @throws Unreadable */
    public function content(): Content
    {
        return $this->content ??= $this->format->reader()->read($this->text(), $this->limits);
    }

    /** The content, which is not held on to: reading it again takes the time again. */
    public function handOver(): Content
    {
        $content = $this->content();
        $this->content = null;

        return $content;
    }
}

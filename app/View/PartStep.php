<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Version;
use MistyAttic\Core\Content\Part;

/** What one version did to a part. */
final readonly class PartStep
{
    /**
     * @param  Part|null  $part  as the version left it; null when it removed it
     * @param  SpanHtml  $text  with what it changed marked
     * @param  bool  $isNow  whether the part is like that in the newest version
     */
    public function __construct(
        public Version $version,
        public string $sentence,
        public ?Part $part,
        public SpanHtml $text,
        public bool $isNow,
    ) {}

    public function asNow(bool $isNow): self
    {
        return new self($this->version, $this->sentence, $this->part, $this->text, $isNow);
    }
}

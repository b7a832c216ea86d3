<?php

declare(strict_types=1);

namespace MistyAttic\Core\Merge;

use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;

/** The place in a text where two edits met: the merged text around it, and what each side has there. */
final readonly class TextMeeting
{
    public function __construct(
        public RichText $before,
        public RichText $base,
        public RichText $theirs,
        public RichText $mine,
        public RichText $after,
    ) {}

    /** The whole text with something else at the place. */
    public function with(RichText $middle): RichText
    {
        return new RichText([...$this->before->runs, ...$middle->runs, ...$this->after->runs]);
    }

    public function both(): RichText
    {
        $gap = preg_match('/\s$/u', $this->theirs->text()) === 1 || preg_match('/^\s/u', $this->mine->text()) === 1 ? '' : ' ';

        return $this->with(new RichText([...$this->theirs->runs, new Run($gap), ...$this->mine->runs]));
    }
}

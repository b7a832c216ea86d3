<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Texts;

use IntlBreakIterator;

/** Where the sentences of a text lie among its words (Unicode UAX #29, through ICU). */
final class Sentences
{
    private ?IntlBreakIterator $boundaries = null;

    /**
     * @param  list<string>  $tokens  as {@see Words::cut} gives them
     * @return list<array{int, int}> half-open ranges of tokens, without the space behind each
     */
    public function of(array $tokens): array
    {
        $ends = [];
        $bytes = 0;
        foreach ($tokens as $at => $token) {
            $ends[$bytes += strlen($token)] = $at + 1;
        }
        $this->boundaries ??= IntlBreakIterator::createSentenceInstance('und') ?? throw new \LogicException('ICU has no sentence iterator');
        $this->boundaries->setText(implode('', $tokens));
        $sentences = [];
        $from = 0;
        /** @var int $offset */
        foreach ($this->boundaries as $offset) {
            $to = $ends[$offset] ?? $from;
            for ($end = $to; $end > $from && trim($tokens[$end - 1]) === ''; $end--);
            if ($end > $from) {
                $sentences[] = [$from, $end];
            }
            $from = max($from, $to);
        }

        return $sentences;
    }

    /**
     * Whether a sentence ends right before a position, or the text does.
     *
     * @param  list<string>  $tokens
     */
    public static function endsBefore(array $tokens, int $position): bool
    {
        for ($at = $position - 1; $at >= 0 && preg_match('/^[\s"”’»)\]]+$/u', $tokens[$at]) === 1; $at--);

        return $at < 0 || preg_match('/[.!?…。！？:]$/u', $tokens[$at]) === 1;
    }
}

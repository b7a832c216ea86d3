<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare;

use IntlBreakIterator;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;

/** Cuts texts at word boundaries (Unicode UAX #29, through ICU). Joined again, the words are the text, to the byte. */
final class Words
{
    private IntlBreakIterator $boundaries;

    public function __construct()
    {
        $this->boundaries = IntlBreakIterator::createWordInstance('und') ?? throw new \LogicException('ICU has no word iterator');
    }

    /** @return list<Word> */
    public function of(RichText $text): array
    {
        $words = [];
        $run = 0;
        $used = 0;
        foreach ($this->cut($text->text()) as $word) {
            $need = strlen($word);
            $runs = [];
            while ($need > 0) {
                $current = $text->runs[$run];
                $take = min($need, strlen($current->text) - $used);
                $runs[] = new Run(substr($current->text, $used, $take), $current->marks);
                $need -= $take;
                $used += $take;
                if ($used === strlen($current->text)) {
                    $run++;
                    $used = 0;
                }
            }
            if ($runs !== []) {
                $words[] = new Word($word, $runs);
            }
        }

        return $words;
    }

    public function count(RichText $text): int
    {
        return count(array_filter($this->cut($text->text()), fn (string $word) => preg_match('/[\p{L}\p{N}]/u', $word) === 1));
    }

    /** @return list<string> */
    private function cut(string $text): array
    {
        if ($text === '') {
            return [];
        }
        $this->boundaries->setText($text);

        return iterator_to_array($this->boundaries->getPartsIterator(), false);
    }
}

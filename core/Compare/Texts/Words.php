<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Texts;

use IntlBreakIterator;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Content\Run;

/** Cuts texts at word boundaries (Unicode UAX #29, through ICU). Joined again, the words are the text, to the byte. */
final class Words
{
    /**
     * UAX #29, rules WB3 to WB13b, for what there is of their classes in ASCII, with ICU's own ways: @ is a letter, and a colon joins none.
     */
    private const ASCII = '/(?:[A-Za-z0-9_@]++|(?<=[A-Za-z@])[.\'](?=[A-Za-z@])|(?<=[0-9])[.,;\'](?=[0-9]))++| ++|\r\n|./s';

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
        return count(array_filter($this->cut($text->text()), self::counts(...)));
    }

    /** Whether a token is a word in the reader's sense: has a letter or a digit. */
    public static function counts(string $word): bool
    {
        return preg_match('/[\p{L}\p{N}]/u', $word) === 1;
    }

    /**
     * The tokens as plain texts.
     *
     * @return list<string>
     */
    public function cut(string $text): array
    {
        if ($text === '') {
            return [];
        }
        // For ASCII the same rules as an expression: many times faster, and held against ICU by a test.
        if (preg_match('/[^\x00-\x7f]/', $text) !== 1) {
            preg_match_all(self::ASCII, $text, $words);

            return $words[0];
        }
        $this->boundaries->setText($text);

        /** @var list<string> $parts */
        $parts = iterator_to_array($this->boundaries->getPartsIterator(), false);

        return $parts;
    }
}

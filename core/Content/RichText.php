<?php

declare(strict_types=1);

namespace MistyAttic\Core\Content;

/**
 * Text with marks. A line break inside is "\n". In JSON: `{"runs": [["plain"], ["bold", {"bold": true}]]}`; the empty text
 * is `{"runs": []}`.
 */
final readonly class RichText
{
    /** @var list<Run> no run is empty, and no two neighbours have the same marks, so that equal texts are equal values */
    public array $runs;

    /** @param iterable<Run> $runs */
    public function __construct(iterable $runs = [])
    {
        $joined = [];
        $texts = [];
        $marks = null;
        foreach ($runs as $run) {
            if ($run->text === '') {
                continue;
            }
            if ($marks !== null && $marks !== $run->marks) {
                $joined[] = new Run(implode('', $texts), $marks);
                $texts = [];
            }
            $texts[] = $run->text;
            $marks = $run->marks;
        }
        if ($marks !== null) {
            $joined[] = new Run(implode('', $texts), $marks);
        }
        $this->runs = $joined;
    }

    public static function plain(string $text): self
    {
        return new self([new Run($text)]);
    }

    /**
     * Reads what {@see toJson} wrote; unknown marks and links to anything but http, https, mailto, tel and places on this
     * site are left out, since a link is the one thing in a text that can do harm.
     *
     * @throws InvalidContent when the value has another shape
     */
    public static function fromJson(mixed $value): self
    {
        if (! is_array($value) || ! isset($value['runs']) || ! is_array($value['runs']) || ! array_is_list($value['runs'])) {
            throw InvalidContent::notRichText('an object with a list of runs is needed');
        }
        $runs = [];
        foreach ($value['runs'] as $run) {
            if (! is_array($run) || ! isset($run[0]) || ! is_string($run[0])) {
                throw InvalidContent::notRichText('a run is a list of a text and its marks');
            }
            if (! mb_check_encoding($run[0], 'UTF-8')) {
                throw InvalidContent::notRichText('the text is not UTF-8');
            }
            $runs[] = new Run(str_replace(["\r\n", "\r", "\0"], ["\n", "\n", ''], $run[0]), self::marks($run[1] ?? []));
        }

        return new self($runs);
    }

    /** @return array{runs: list<array{0: string, 1?: array<string, true|string>}>} */
    public function toJson(): array
    {
        return ['runs' => array_map(
            fn (Run $run) => $run->marks === [] ? [$run->text] : [$run->text, $run->marks],
            $this->runs,
        )];
    }

    /** Whether an address may be linked to: http, https, mailto, tel, or a place on this site. */
    public static function isLink(string $address): bool
    {
        return strlen($address) <= 2000 && preg_match('~^(https?://|mailto:|tel:|/(?!/)|#)[^\s<>"]*$~iD', $address) === 1;
    }

    public function text(): string
    {
        return implode('', array_map(fn (Run $run) => $run->text, $this->runs));
    }

    public function isEmpty(): bool
    {
        return $this->runs === [];
    }

    public function equals(self $other): bool
    {
        if (count($this->runs) !== count($other->runs)) {
            return false;
        }
        foreach ($this->runs as $position => $run) {
            // Strictly: PHP's == holds “1” and “1.0” for equal.
            if ($run->text !== $other->runs[$position]->text || ! $run->sameMarks($other->runs[$position])) {
                return false;
            }
        }

        return true;
    }

    /** @return array<string, true|string> */
    private static function marks(mixed $marks): array
    {
        if (! is_array($marks)) {
            throw InvalidContent::notRichText('marks are an object');
        }
        $kept = [];
        foreach ($marks as $name => $value) {
            $mark = Mark::tryFrom((string) $name);
            if ($mark === Mark::Link) {
                if (is_string($value) && self::isLink($value)) {
                    $kept['link'] = $value;
                }
            } elseif ($mark !== null && $value === true) {
                $kept[$mark->value] = true;
            }
        }
        // Nothing is above and below the line at once.
        if (isset($kept['raised'])) {
            unset($kept['lowered']);
        }

        return $kept;
    }
}

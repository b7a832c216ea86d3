<?php

declare(strict_types=1);

namespace MistyAttic\Core\Formats;

/**
 * How the letters of a text file are in its bytes: the gate that all bytes go through before they are read as text. A byte order mark
 * says it (Unicode, 23.8), or the file itself (HTML's `meta`), or that it is well-formed UTF-8. Bytes that are none of these may be
 * written in several ways, of which nobody but its writer knows the right one: those are asked for, or kept to the byte.
 */
final readonly class Encoding
{
    public const UTF8 = 'UTF-8';

    /** Ways in which a text of single bytes may be written, the likeliest first. */
    public const CANDIDATES = [
        'Windows-1252',
        'WINDOWS-1250',
        'Windows-1251',
        'WINDOWS-1253',
        'Windows-1254',
        'SJIS-win',
        'GB18030',
        'BIG-5',
        'EUC-KR',
    ];

    private const MARKS = [
        "\xEF\xBB\xBF" => self::UTF8,
        "\xFF\xFE\x00\x00" => 'UTF-32LE',
        "\x00\x00\xFE\xFF" => 'UTF-32BE',
        "\xFF\xFE" => 'UTF-16LE',
        "\xFE\xFF" => 'UTF-16BE',
    ];

    /** Bytes at the beginning by which it is told whether something is a text. */
    private const LOOKED_AT = 65_536;

    public function __construct(public string $name, public string $mark = '') {}

    /**
     * What the bytes say themselves; null when they are a text of single bytes that does not say how it is written.
     *
     * @param  string|null  $declared  what the file says of itself
     *
     * @throws Unreadable when it is no text at all
     */
    public static function of(string $bytes, ?string $declared = null): ?self
    {
        foreach (self::MARKS as $mark => $name) {
            if (str_starts_with($bytes, $mark)) {
                return mb_check_encoding(substr($bytes, strlen($mark)), $name)
                    ? new self($name, $mark)
                    : throw Unreadable::because("it says that it is {$name}, and is not");
            }
        }
        $head = substr($bytes, 0, self::LOOKED_AT);
        $wide = self::wide($head);
        if ($wide !== null && mb_check_encoding($bytes, $wide)) {
            return new self($wide);
        }
        $signs = (int) preg_match_all('/[\x01-\x08\x0E-\x1A\x1C-\x1F]/', $head);
        // Of bytes at random every tenth is a control character; a text has none, or a few that strayed into it.
        if (str_contains($head, "\0") || ($signs > 8 && $signs * 30 > strlen($head))) {
            throw Unreadable::because('it is no text');
        }
        if (mb_check_encoding($bytes, self::UTF8)) {
            return new self(self::UTF8);
        }
        $declared = $declared === null ? null : self::known($declared);

        return $declared !== null
            && $declared !== self::UTF8
            && (new self($declared))->bytes((new self($declared))->text($bytes)) === $bytes
            ? new self($declared)
            : null;
    }

    /** The one of that name, with the byte order mark that is its own if there was one. */
    public static function named(string $name, bool $mark): self
    {
        return new self($name, $mark ? (string) array_search($name, self::MARKS, true) : '');
    }

    /** The way in which bytes come out again as they went in, whatever they mean. */
    public static function kept(string $bytes): self
    {
        $one = new self('Windows-1252');

        return $one->bytes($one->text($bytes)) === $bytes ? $one : new self('ISO-8859-1');
    }

    /**
     * Those that bytes could be written in.
     *
     * @return list<string>
     */
    public static function possible(string $bytes): array
    {
        return array_values(
            array_filter(
                self::CANDIDATES,
                fn (string $name) => ($one = new self($name))->bytes($text = $one->text($bytes)) === $bytes
                    && preg_match('/[\x{80}-\x{9f}\x{fffd}]/u', $text) !== 1,
            ),
        );
    }

    /** What an HTML or XML file says of itself, in its first kilobyte. */
    public static function declared(string $bytes): ?string
    {
        return preg_match(
            '/<meta[^>]+charset\s*=\s*["\']?\s*([\w-]{2,40})|<\?xml[^>]+encoding\s*=\s*["\']([\w-]{2,40})/i',
            substr($bytes, 0, 1024),
            $found,
        ) === 1
            ? $found[2] ?? $found[1]
            : null;
    }

    /** As UTF-8, without a mark of another encoding; a mark of UTF-8 stays, since its readers know it. */
    public function text(string $bytes): string
    {
        return $this->name === self::UTF8 ? $bytes : self::convert(substr($bytes, strlen($this->mark)), self::UTF8, $this->name);
    }

    /** A text of UTF-8 in this encoding; in UTF-8 where this lacks a letter of it. */
    public function bytes(string $text): string
    {
        if ($this->name === self::UTF8) {
            return $text;
        }
        $bytes = self::convert($text, $this->name, self::UTF8);

        return self::convert($bytes, self::UTF8, $this->name) === $text ? $this->mark.$bytes : $text;
    }

    /** UTF-16 without a mark: nearly every second byte of a text in it is nothing. */
    private static function wide(string $head): ?string
    {
        $length = strlen($head) - strlen($head) % 2;
        if ($length < 8) {
            return null;
        }
        $zeros = [0, 0];
        foreach ([0, 1] as $side) {
            for ($at = $side; $at < min($length, 2_048); $at += 2) {
                $zeros[$side] += $head[$at] === "\0" ? 1 : 0;
            }
        }
        $half = intdiv(min($length, 2_048), 2);

        return match (true) {
            $zeros[1] * 10 > $half * 7 && $zeros[0] * 10 < $half => 'UTF-16LE',
            $zeros[0] * 10 > $half * 7 && $zeros[1] * 10 < $half => 'UTF-16BE',
            default => null,
        };
    }

    /** The few that mbstring does not know are those of iconv; nothing comes of what can't be written. */
    private static function convert(string $text, string $to, string $from): string
    {
        return str_contains($to.$from, 'WINDOWS-') ? (string) @iconv($from, $to, $text) : (string) mb_convert_encoding($text, $to, $from);
    }

    private static function known(string $name): ?string
    {
        $name = [
            'latin1' => 'ISO-8859-1',
            'iso-8859-1' => 'Windows-1252',
            'us-ascii' => self::UTF8,
            'utf8' => self::UTF8,
            'shift_jis' => 'SJIS-win',
            'gb2312' => 'GB18030',
            'gbk' => 'GB18030',
            'big5' => 'BIG-5',
            'windows-1250' => 'WINDOWS-1250',
            'cp1250' => 'WINDOWS-1250',
            'windows-1253' => 'WINDOWS-1253',
            'windows-1255' => 'WINDOWS-1255',
            'windows-1257' => 'WINDOWS-1257',
        ][strtolower($name)] ?? $name;
        if (str_starts_with($name, 'WINDOWS-125')) {
            return $name;
        }
        foreach (mb_list_encodings() as $one) {
            if (
                strcasecmp($one, $name) === 0
                || in_array(strtolower($name), array_map(strtolower(...), mb_encoding_aliases($one) ?: []), true)
            ) {
                return $one;
            }
        }

        return null;
    }
}

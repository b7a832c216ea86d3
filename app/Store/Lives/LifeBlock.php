<?php

declare(strict_types=1);

namespace App\Store\Lives;

use LogicException;

/**
 * Lives of texts that are kept together: those of neighbouring parts of one item, or of its entries. Each text is in it once, however often
 * it came and wherever it is, and what is written one version after the other packs to a tenth.
 *
 * Packed it is, deflated: how many lives there are, and how long the JSON is that follows; the JSON, with the places (see
 * {@see Life::place}), the fields, what is kept of texts that are formulas by number of text, and the page of each text; five columns with
 * a number for each life: place, field, text, the version that brought it, and the one that it was gone with or 0; and each text in a line,
 * as it is looked for. Numbers have 32 bits, little-endian.
 *
 * A page is what the index of words knows as one: some texts, about {@see PAGE} bytes of them.
 */
final class LifeBlock
{
    /** Bytes of texts in a page of the index: the more, the smaller the index, and the more is read in vain. */
    private const PAGE = 1_000;

    /** And of one of what is gone. */
    private const CLOSED_PAGE = 8_000;

    /** What a text adds to a page that has the one before it: most of it is there already. */
    private const NEXT = 32;

    /** Numbers of a life. */
    private const COLUMNS = 5;

    /** How a text is in one line: without the sign itself it reads as it is looked for. */
    private const SIGN = "\x1f";

    private const ESCAPED = [self::SIGN => self::SIGN.self::SIGN, "\n" => self::SIGN.' '];

    /** @var array<string, list<Life>> by place */
    private array $lives = [];

    /** @var list<Life>|null in the order in which they are packed */
    private ?array $sorted = null;

    /** @var array<string, int> texts (see {@see key}), and the page of each */
    private array $pages = [];

    /** @var array<string, int> texts and pages that the index knows */
    private array $indexed = [];

    public bool $isChanged = false;

    /**
     * @param  int|null  $id  null as long as it is not kept
     * @param  int  $home  the item
     * @param  string  $from  the first place that may be in it
     * @param  bool  $isClosed  whether it holds only what is gone, from any place
     */
    public function __construct(public ?int $id, public readonly int $home, public readonly string $from, public readonly bool $isClosed) {}

    public static function unpack(int $id, int $home, string $from, bool $isClosed, string $data): self
    {
        $block = new self($id, $home, $from, $isClosed);
        [$head, $columns, $body] = self::inflated($data);
        $head = self::head($head);
        $lines = explode("\n", $body);
        foreach ($head[3] as $at => $page) {
            $block->pages[self::key(...self::text($head[2], $lines, $at))] = $page;
        }
        $block->sorted = self::some($home, $head, $columns, $lines);
        foreach ($block->sorted as $life) {
            $block->lives[$life->place($home)][] = $life;
        }
        $block->indexed = $block->pages;

        return $block;
    }

    public function pack(): string
    {
        [$places, $fields, $columns, $formulas, $lines] = [[], [], [[], [], [], [], []], [], []];
        $texts = array_flip(array_keys($this->pages));
        foreach ($this->lives() as $life) {
            $columns[0][] = $places[$life->place($this->home)] ??= count($places);
            $columns[1][] = $fields[$life->field] ??= count($fields);
            $columns[2][] = $texts[self::key($life->text, $life->spelled)];
            $columns[3][] = $life->from;
            $columns[4][] = (int) $life->gone;
        }
        foreach (array_keys($this->pages) as $at => $key) {
            [$text, $spelled] = self::both((string) $key);
            $lines[] = strtr($spelled === '' ? $text : $spelled, self::ESCAPED);
            $spelled === '' ?: $formulas[$at] = $text;
        }
        $strings = fn (array $of): array => array_map(strval(...), array_keys($of));
        $head = json_encode(
            [$strings($places), $strings($fields), (object) $formulas, array_values($this->pages)],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE,
        );

        return gzdeflate(
            pack('VV', count($columns[0]), strlen($head)).$head.pack('V*', ...array_merge(...$columns)).implode("\n", $lines),
            6,
        )
            ?: throw new LogicException('zlib would not deflate');
    }

    /**
     * The lives in a packed block whose text holds all pieces, found without unpacking the others.
     *
     * @param  list<string>  $pieces  folded
     * @return list<Life>
     */
    public static function holding(int $home, string $data, array $pieces): array
    {
        [$head, $columns, $body] = self::inflated($data);
        $folded = str_replace(self::SIGN, '', Lives::folded($body));
        $first = $pieces[0];
        $which = [];
        for (
            $at = strpos($folded, $first), $before = $line = 0;
            $at !== false;
            $at = $end === false ? false : strpos($folded, $first, $end)
        ) {
            $line += substr_count($folded, "\n", $before, $at - $before);
            $begin = (int) strrpos($folded, "\n", $at - strlen($folded));
            $end = strpos($folded, "\n", $at);
            $text = substr($folded, $begin, $end === false ? null : $end - $begin);
            $which[$line] = array_filter($pieces, fn (string $piece) => ! str_contains($text, $piece)) === [];
            $before = $at;
        }
        $which = array_filter($which);
        if ($which === []) {
            return [];
        }

        return self::some($home, self::head($head), $columns, explode("\n", $body), $which);
    }

    /** @return array{string, string, string} JSON, columns and texts */
    private static function inflated(string $data): array
    {
        $bytes = gzinflate($data);
        $lengths = $bytes === false || strlen($bytes) < 8 ? false : unpack('Vlives/Vhead', $bytes);
        if ($bytes === false || $lengths === false) {
            throw new LogicException('a block of lives is damaged');
        }
        [$head, $columns] = [(int) $lengths['head'], self::COLUMNS * 4 * (int) $lengths['lives']];

        return [substr($bytes, 8, $head), substr($bytes, 8 + $head, $columns), substr($bytes, 8 + $head + $columns)];
    }

    /** @return array{list<string>, list<string>, array<int, string>, list<int>} */
    private static function head(string $json): array
    {
        /** @var array{list<string>, list<string>, array<int, string>, list<int>} */
        return json_decode($json, true, flags: JSON_THROW_ON_ERROR);
    }

    /**
     * @param  array<int, string>  $formulas
     * @param  list<string>  $lines
     * @return array{string, string|null} a text, and how it is spelled if it is a formula
     */
    private static function text(array $formulas, array $lines, int $at): array
    {
        $line = str_contains($lines[$at], self::SIGN) ? strtr($lines[$at], array_flip(self::ESCAPED)) : $lines[$at];

        return isset($formulas[$at]) ? [$formulas[$at], $line] : [$line, null];
    }

    /**
     * @param  array{list<string>, list<string>, array<int, string>, list<int>}  $head
     * @param  list<string>  $lines
     * @param  array<int, true>|null  $texts  those with one of these, or all
     * @return list<Life>
     */
    private static function some(int $home, array $head, string $columns, array $lines, ?array $texts = null): array
    {
        [$places, $fields, $formulas] = $head;
        $length = intdiv(strlen($columns), self::COLUMNS);
        $text = $length === 0 ? [] : array_values(unpack('V*', substr($columns, 2 * $length, $length)) ?: []);
        $number = fn (int $column, int $at): int => ord($columns[($of = $column * $length + 4 * $at)])
            | (ord($columns[$of + 1]) << 8)
            | (ord($columns[$of + 2]) << 16)
            | (ord($columns[$of + 3]) << 24);
        $lives = [];
        foreach ($texts === null ? $text : array_filter($text, fn (int $of): bool => isset($texts[$of])) as $at => $of) {
            [$item, $part] = Life::at($home, $places[$number(0, $at)]);
            $lives[] = new Life(
                $item,
                $part,
                $fields[$number(1, $at)],
                $number(3, $at),
                $number(4, $at) ?: null,
                ...self::text($formulas, $lines, $of),
            );
        }

        return $lives;
    }

    private static function key(string $text, ?string $spelled): string
    {
        return strlen($text).':'.$text.$spelled;
    }

    /** @return array{string, string} text, and '' or how it is spelled */
    private static function both(string $key): array
    {
        [$length, $both] = explode(':', $key, 2);

        return [substr($both, 0, (int) $length), substr($both, (int) $length)];
    }

    /** @return list<Life> those of a field beside each other, which have most in common */
    public function lives(): array
    {
        if ($this->sorted === null) {
            $lives = array_merge(...array_values($this->lives));
            $order = array_map(
                fn (Life $life): string => $life->field."\0".$life->place($this->home).sprintf("\0%010d", $life->from),
                $lives,
            );
            asort($order, SORT_STRING);
            $this->sorted = array_map(fn (int $at): Life => $lives[$at], array_keys($order));
        }

        return $this->sorted;
    }

    /** @return list<Life> */
    public function of(string $place): array
    {
        return $this->lives[$place] ?? [];
    }

    /** @param list<Life> $lives of that place */
    public function put(string $place, array $lives): void
    {
        [$this->lives[$place], $this->sorted, $this->isChanged] = [$lives, null, true];
    }

    /** @param list<Life> $lives all that it is to hold */
    public function set(array $lives): void
    {
        [$this->lives, $this->sorted, $this->isChanged] = [[], null, true];
        foreach ($lives as $life) {
            $this->lives[$life->place($this->home)][] = $life;
        }
    }

    /**
     * Puts texts that came in new pages, and leaves those that are there where they are; or puts all of them in new ones, those of a place
     * beside each other.
     */
    public function page(bool $anew): void
    {
        $texts = [];
        foreach ($this->lives() as $life) {
            $texts[self::key($life->text, $life->spelled)] ??= $life;
        }
        $this->pages = $anew ? [] : array_intersect_key($this->pages, $texts);
        $page = $this->pages === [] ? 0 : max($this->pages) + 1;
        [$size, $before] = [0, null];
        foreach (array_diff_key($texts, $this->pages) as $key => $life) {
            $place = $life->place($this->home)."/{$life->field}";
            $adds = $place === $before ? self::NEXT : strlen((string) $key);
            // What would have too many pages has the rest of it in the last.
            if (
                $size > 0
                && $size + $adds > ($this->isClosed ? self::CLOSED_PAGE : self::PAGE)
                && (! $anew || $page + 1 < LifeBlocks::PAGES)
            ) {
                [$page, $size] = [$page + 1, 0];
            }
            $this->pages[(string) $key] = $page;
            [$size, $before] = [$size + $adds, $place];
        }
    }

    public function lastPage(): int
    {
        return $this->pages === [] ? 0 : max($this->pages);
    }

    /** @return array<int, string> what the index is to know, by page */
    public function texts(): array
    {
        return self::folded($this->pages);
    }

    /**
     * @return array{array<int, string>, array<int, string>} the pages that the index is to forget and those that it is to know instead, as
     *     they are now
     */
    public function changes(): array
    {
        $pages = array_fill_keys(
            [
                ...array_values(array_diff_key($this->indexed, $this->pages)),
                ...array_values(array_diff_key($this->pages, $this->indexed)),
                ...array_values(array_diff_assoc($this->indexed, $this->pages)),
                ...array_values(array_diff_assoc($this->pages, $this->indexed)),
            ],
            true,
        );
        $of = fn (array $all): array => self::folded(array_filter($all, fn (int $page) => isset($pages[$page])));

        return [$of($this->indexed), $of($this->pages)];
    }

    /**
     * @param  array<string, int>  $pages
     * @return array<int, string> by page
     */
    private static function folded(array $pages): array
    {
        $texts = [];
        foreach ($pages as $key => $page) {
            [$text, $spelled] = self::both((string) $key);
            // SQLite cuts into pieces only what is before a NUL, and others are on the page.
            $texts[$page][] = str_replace(["\n", "\0"], ' ', $spelled === '' ? $text : $spelled);
        }

        return array_map(fn (array $of): string => Lives::folded(implode("\n", $of)), $texts);
    }

    public function isIndexed(): void
    {
        [$this->indexed, $this->isChanged] = [$this->pages, false];
    }

    /**
     * About how many bytes lives have, before they are packed.
     *
     * @param  list<Life>  $lives
     */
    public static function size(array $lives): int
    {
        return array_sum(array_map(fn (Life $life): int => $life->size(), $lives));
    }

    /**
     * @return array{int, int} the first version after the first and the last with which something in it came or went; 1 when nothing did
     *     since the first
     */
    public function reach(): array
    {
        $numbers = [];
        foreach ($this->lives() as $life) {
            $numbers[$life->from] = $numbers[$life->gone ?? 1] = true;
        }
        unset($numbers[1]);

        return $numbers === [] ? [1, 1] : [min(array_keys($numbers)), max(array_keys($numbers))];
    }
}

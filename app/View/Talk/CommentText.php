<?php

declare(strict_types=1);

namespace App\View\Talk;

use App\Models\Item;

/** What somebody said, as HTML: all of it escaped, with people who are called, versions and addresses of this place to be followed. */
final class CommentText
{
    private readonly string $pattern;

    private readonly string $here;

    /** @var array<int, string> number => where that version is seen */
    private array $versions = [];

    /** @param list<string> $names of the people on the shelf */
    public function __construct(private readonly Item $item, array $names)
    {
        $names = array_unique([...$names, ...array_map(fn (string $name) => explode(' ', $name)[0], $names)]);
        usort($names, fn (string $one, string $two) => strlen($two) <=> strlen($one));
        $called = $names === [] ? '(?!)' : implode('|', array_map(fn (string $name) => preg_quote($name, '~'), $names));
        $this->here = url('/');
        $here = preg_quote($this->here, '~');
        $this->pattern = "~((?<![\\p{L}\\p{N}])@(?:{$called})(?![\\p{L}\\p{N}])|\\bversion \\d{1,9}\\b|{$here}/[^\\s<>\"”]*[^\\s<>\"”.,;:!?)])~u";
    }

    public function html(string $text): string
    {
        $pieces = preg_split($this->pattern, $text, -1, PREG_SPLIT_DELIM_CAPTURE) ?: [$text];

        return nl2br(
            implode(
                '',
                array_map(fn (string $piece, int $at) => $at % 2 === 0 ? e($piece) : $this->followed($piece), $pieces, array_keys($pieces)),
            ),
            false,
        );
    }

    private function followed(string $piece): string
    {
        if ($piece[0] === '@') {
            return '<b class="called">'.e(substr($piece, 1)).'</b>';
        }
        if (preg_match('/^version (\d+)$/', $piece, $match) === 1) {
            $number = (int) $match[1];

            return $number < 1 || $number > $this->item->head
                ? e($piece)
                : '<a href="'
                        .($this->versions[$number] ??= e(
                            route('history', ['item' => $this->item, 'from' => $number, 'to' => $number, 'view' => 'was']),
                        ))
                        .'">'
                        .e($piece)
                        .'</a>';
        }

        return '<a href="'.e($piece).'">'.e((string) str(substr($piece, strlen($this->here) + 1))->limit(60)).'</a>';
    }
}

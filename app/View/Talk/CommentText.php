<?php

declare(strict_types=1);

namespace App\View\Talk;

use App\Models\Item;
use Illuminate\Contracts\Support\Htmlable;

/** What somebody said, as HTML: all of it escaped, with people who are called, versions and addresses of this place to be followed. */
final readonly class CommentText implements Htmlable
{
    /** @param list<string> $names of people, the longest first */
    private function __construct(private string $text, private Item $item, private array $names) {}

    /** @param list<string> $names of the people on the shelf */
    public static function of(string $text, Item $item, array $names): self
    {
        $names = array_unique([...$names, ...array_map(fn (string $name) => explode(' ', $name)[0], $names)]);
        usort($names, fn (string $one, string $two) => strlen($two) <=> strlen($one));

        return new self($text, $item, $names);
    }

    public function toHtml(): string
    {
        $names = $this->names === [] ? '(?!)' : implode('|', array_map(fn (string $name) => preg_quote($name, '~'), $this->names));
        $here = preg_quote(url('/'), '~');
        $pieces = preg_split("~((?<![\\p{L}\\p{N}])@(?:{$names})(?![\\p{L}\\p{N}])|\\bversion \\d{1,9}\\b|{$here}/[^\\s<>\"”]*[^\\s<>\"”.,;:!?)])~u", $this->text, -1, PREG_SPLIT_DELIM_CAPTURE);

        return nl2br(implode('', array_map(fn (string $piece, int $at) => $at % 2 === 0 ? e($piece) : $this->followed($piece), $pieces ?: [$this->text], array_keys($pieces ?: [$this->text]))), false);
    }

    private function followed(string $piece): string
    {
        if ($piece[0] === '@') {
            return '<b class="called">'.e(substr($piece, 1)).'</b>';
        }
        if (preg_match('/^version (\d+)$/', $piece, $match) === 1) {
            $number = (int) $match[1];

            return $number < 1 || $number > $this->item->head ? e($piece) : '<a href="'.e(route('history', ['item' => $this->item, 'from' => $number, 'to' => $number, 'view' => 'was'])).'">'.e($piece).'</a>';
        }

        return '<a href="'.e($piece).'">'.e((string) str($piece)->after(url('/'))->limit(60)).'</a>';
    }
}

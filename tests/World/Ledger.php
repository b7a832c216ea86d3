<?php

declare(strict_types=1);

namespace Tests\World;

use App\Models\Item;
use App\Models\Version;
use App\Store\States;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Cell;

/** What was typed by whom, what the server said yes to, and who took what away. */
final class Ledger
{
    /** @var array<string, array<string, true>> item => tags that were answered with a yes */
    public array $yes = [];

    /** @var array<string, array<string, array<string, true>>> item => tag => who took it away, knowing it */
    public array $taken = [];

    /** @var array<string, array<int, string>> item => version that was left behind => its root */
    public array $left = [];

    /**
     * @var array<string, array{string, int, string, int|null, string|null}> item => root, head, title, what is live and where, when it was
     *     deleted
     */
    public array $lost = [];

    /** @var array<string, array<string, true>> item => tags that stood in versions which are no longer kept */
    public array $gone = [];

    /** @var array<string, true> figures that were worked out where a file went out that came in again */
    public array $figured = [];

    /**
     * @var array<string, array<string, list<string>>> item => tag => who brought a file in which a name became a text: it is theirs, as
     *     names are not followed from part to part
     */
    public array $restated = [];

    /** @var array<string, list<int>> kind => versions of its follower with which somebody let it follow again */
    public array $followed = [];

    /** @var array<string, array{int, string}> item => its newest version and that one's root, where no history is kept */
    private array $unkept = [];

    /**
     * @param  array<string, true>  $had
     * @param  array<string, true>  $has
     */
    public function sent(string $item, string $who, array $had, array $has): void
    {
        foreach (array_diff_key($had, $has) as $tag => $unused) {
            $this->taken[$item][$tag][$who] = true;
        }
    }

    /** @param array<string, true> $tags */
    public function saidYes(string $item, array $tags): void
    {
        $this->yes[$item] = ($this->yes[$item] ?? []) + $tags;
    }

    /**
     * Where no history is kept, what others write over is gone.
     *
     * @param array<string, Item> $items
     */
    public function writtenOver(array $items): void
    {
        foreach ($items as $kind => $item) {
            $newest = Version::query()->where('item_id', $item->id)->orderByDesc('number')->firstOrFail();
            [$number, $root] = $this->unkept[$kind] ?? [0, ''];
            if ($number === $newest->number && $root !== $newest->root) {
                $states = app(States::class);
                $this->gone[$kind]
                    = ($this->gone[$kind] ?? []) + array_diff_key(self::tags($states->tree($root)), self::tags($states->tree($newest->root)));
            }
            $this->unkept[$kind] = $newest->unkept ? [$newest->number, $newest->root] : [0, ''];
        }
    }

    /** Whose word or figure it is. */
    public static function author(string $tag): string
    {
        return $tag[0] === '#' ? Pen::PEOPLE[(int) substr($tag, -1)] : explode('x', $tag)[0];
    }

    /** @return array<string, true> */
    public static function tagsOf(string $text): array
    {
        preg_match_all(Pen::TAG, $text, $found);

        return array_fill_keys($found[0], true);
    }

    /** @return array<string, true> figures that nobody typed: a file that goes out has them where a formula is */
    public static function results(PartTree $tree): array
    {
        $results = array_merge(
            [],
            ...array_map(
                fn (Part $part): array => array_map(Cell::result(...), array_filter($part->fields, Cell::isFormula(...))),
                $tree->parts,
            ),
        );

        return array_fill_keys(array_map(fn (int $result): string => "#{$result}", array_filter($results, is_int(...))), true);
    }

    /** @return array<string, true> words that people typed as names and titles alone */
    public static function names(PartTree $tree): array
    {
        $texts = array_merge(
            [],
            ...array_map(
                fn (Part $part): array => array_values(
                    array_map(
                        fn (RichText $text) => $text->text(),
                        array_filter($part->fields, fn (mixed $value) => $value instanceof RichText),
                    ),
                ),
                $tree->parts,
            ),
        );

        return array_diff_key(self::tags($tree), self::tagsOf(implode(' ', $texts)));
    }

    /** @return array<string, true> the words and figures that people typed in a state */
    public static function tags(PartTree $tree): array
    {
        $tags = [];
        foreach ($tree->parts as $part) {
            foreach ($part->fields as $value) {
                $text = match (true) {
                    $value instanceof RichText => $value->text(),
                    is_array($value) => ($value[0] ?? null) === '=' ? '' : implode(' ', array_map(strval(...), $value)),
                    default => (string) $value,
                };
                if (is_int($value) && $value >= 10_000) {
                    $tags["#{$value}"] = true;
                } elseif (preg_match_all(Pen::TAG, $text, $found) > 0) {
                    $tags += array_fill_keys($found[0], true);
                }
            }
        }

        return $tags;
    }
}

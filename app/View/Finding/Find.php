<?php

declare(strict_types=1);

namespace App\View\Finding;

use App\Models\Item;
use App\Models\Version;
use App\Store\Lives\Life;
use App\View\HistoryAddress;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\HtmlString;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Formulas\CellPlaces;
use MistyAttic\Core\Kinds\Formulas\Formula;

/** One text in one part, with the stretches of its life. */
final class Find
{
    /**
     * @var list<array{from: int, gone: int|null, moment: Version|null, came: CarbonImmutable, went: CarbonImmutable|null, by: string, colour: int, out: string, outColour: int, said: string}>
     *     the earliest first
     */
    public array $stretches = [];

    public string $place = '';

    /** The table that it is in, of a kind that has several. */
    public ?string $table = null;

    private string $whole;

    public readonly string $part;

    public readonly string $field;

    public function __construct(
        public readonly Item $item,
        private readonly Asked $asked,
        private readonly Life $life,
        public readonly bool $isThere,
    ) {
        [$this->whole, $this->part, $this->field] = [$life->read(), $life->part, $life->field];
    }

    /** A formula as it is read in a state. */
    public function spell(PartTree $tree): void
    {
        if ($tree->has($this->part)) {
            $this->whole = '='.Formula::spell(substr($this->life->text, 1), $this->part, new CellPlaces($tree));
        }
    }

    /** The words, with what was looked for marked. */
    public function text(): HtmlString
    {
        return new HtmlString(
            implode(
                '',
                array_map(
                    fn (array $piece): string => $piece[1] ? '<mark>'.e($piece[0]).'</mark>' : e($piece[0]),
                    $this->asked->marked($this->whole),
                ),
            ),
        );
    }

    /** The moment when it went, or came where it is there; with all that was found marked on the ribbon. */
    public function look(): string
    {
        $last = $this->stretches[array_key_last($this->stretches) ?? 0];
        $moment = $last['gone'] ?? $last['from'];

        return HistoryAddress::at($this->item, $this->item->lookFrom($moment), $moment, $this->part, [
            'tab' => $this->table,
            'q' => $this->asked->words,
        ]);
    }

    /** The version of that moment. */
    public function moment(): ?Version
    {
        return $this->stretches[array_key_last($this->stretches) ?? 0]['moment'] ?? null;
    }

    public function history(): ?string
    {
        return $this->part === '' || $this->item->sight !== null ? null : route('part', [$this->item->key, $this->part]);
    }

    /** The plan by which it comes back, with its own lines ticked; null when it is there, or the reader may not. */
    public function back(): ?string
    {
        $gone = $this->stretches[array_key_last($this->stretches) ?? 0]['gone'] ?? null;

        return $this->isThere || $gone === null || $this->part === '' || ! Gate::allows('restore', $this->item)
            ? null
            : route('restore', [$this->item->key, $this->item->before($gone), 'part' => $this->part]);
    }

    /** A copy of the item as it was when it stood there last; null for an entry, which is none without its form. */
    public function copy(): ?string
    {
        $last = $this->stretches[array_key_last($this->stretches) ?? 0] ?? null;

        return $last === null || $this->item->form_id !== null
            ? null
            : route('copy', [$this->item->key, $last['gone'] === null ? $this->item->head : $this->item->before($last['gone'])]);
    }
}

<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use Illuminate\Http\Request;

/**
 * What the address of a history says: the two ends, the view and its layout, whose changes are shown, and the words that somebody came for.
 */
final readonly class HistoryAddress
{
    /** What of the versions may be shown alone, on the ribbon and in the list. */
    public const ONLY = ['milestones', 'published', 'restores', 'unusual', 'pins'];

    /** @param list<int> $by ids of editors; none means everybody */
    private function __construct(
        private Item $item,
        public int $from,
        public int $to,
        public string $view,
        public string $layout,
        public array $by,
        public ?string $tab,
        public string $rows,
        public string $show,
        public bool $marks,
        public int $piece = 1,
        public string $words = '',
        public string $only = '',
        /** The part that somebody came for: its tab or piece is shown. */
        public string $part = '',
        private ?string $page = null,
        /** @var array<string, mixed> */
        private array $of = [],
    ) {}

    /**
     * The same on another page than the history, which says by itself what the two ends are.
     *
     * @param  string  $page  name of its route
     * @param  array<string, mixed>  $of  what its address says besides
     */
    public function on(string $page, array $of): self
    {
        return new self(...[...get_object_vars($this), 'page' => $page, 'of' => $of]);
    }

    /**
     * Where two versions are held against each other, at a part of them; of one alone, as it was.
     *
     * @param  string  $part  or a cell as row/column; '' for none
     * @param  array<string, string|null>  $more  what the address says besides
     */
    public static function at(Item $item, int $from, int $to, string $part, array $more = []): string
    {
        $asked = array_filter([...$from === $to ? ['view' => 'was'] : [], ...$more, 'part' => $part], fn (?string $value): bool => $value !== null && $value !== '');

        return route('history', ['item' => $item->key, 'from' => $from, 'to' => $to, ...$asked]).($part === '' ? '' : "#part-{$part}");
    }

    /** The same with the tab and the piece that are shown by it, which all that leads on from there stays in. */
    public function showing(?string $tab, int $piece = 1): self
    {
        return new self(...[...get_object_vars($this), 'tab' => $tab, 'piece' => $piece, 'part' => '']);
    }

    /** The address of everything, with everybody's changes standing out. */
    public static function all(Item $item): self
    {
        return new self($item, 1, $item->head, 'changed', 'together', [], null, 'changed', 'values', true);
    }

    /** @param \Closure(): int $otherwise the earlier end when the address names none */
    public static function read(Request $request, Item $item, \Closure $otherwise): self
    {
        $sent = $request->validate([
            'from' => ['nullable', 'integer', 'min:0', 'max:999999999'],
            'to' => ['nullable', 'integer', 'min:0', 'max:999999999'],
            'view' => ['nullable', 'in:was,changed,who'],
            'layout' => ['nullable', 'in:together,side,source'],
            'marks' => ['nullable', 'in:off'],
            'tab' => ['nullable', 'string', 'max:24'],
            'rows' => ['nullable', 'in:changed,all'],
            'show' => ['nullable', 'in:values,formulas,age,today,picture,parts,lines,bytes'],
            'piece' => ['nullable', 'integer', 'min:1', 'max:99999'],
            'by' => ['nullable', 'string', 'regex:/^\d+(,\d+)*$/', 'max:200'],
            'q' => ['nullable', 'string', 'max:200'],
            'only' => ['nullable', 'in:'.implode(',', self::ONLY)],
            'part' => ['nullable', 'string', 'max:64'],
        ]);
        $to = (int) ($sent['to'] ?? $item->head);
        $from = (int) ($sent['from'] ?? min($to, isset($sent['to']) ? max(1, $to - 1) : $otherwise()));

        return new self(
            $item,
            min($from, $to),
            max($from, $to),
            $sent['view'] ?? 'changed',
            $sent['layout'] ?? 'together',
            isset($sent['by']) ? array_map(intval(...), explode(',', $sent['by'])) : [],
            $sent['tab'] ?? null,
            $sent['rows'] ?? 'changed',
            $sent['show'] ?? 'values',
            ! isset($sent['marks']),
            (int) ($sent['piece'] ?? 1),
            $sent['q'] ?? '',
            $sent['only'] ?? '',
            $sent['part'] ?? '',
        );
    }

    /** @param array{from?: int, to?: int, view?: string, layout?: string, by?: list<int>, tab?: string|null, rows?: string, show?: string, marks?: bool, piece?: int, words?: string, part?: string} $other */
    public function with(array $other, string $route = 'history'): string
    {
        $all = [...get_object_vars($this), ...$other];
        $ends = ['from' => $all['from'], 'to' => $all['to'], 'view' => $all['view'] === 'changed' ? null : $all['view']];

        return route($this->page ?? $route, array_filter([
            'item' => $this->item, ...($this->page === null ? $ends : $this->of),
            'layout' => $all['layout'] === 'together' ? null : $all['layout'],
            'by' => $all['by'] === [] ? null : implode(',', $all['by']),
            'tab' => $all['tab'],
            'rows' => $all['rows'] === 'changed' ? null : $all['rows'],
            'show' => $all['show'] === 'values' ? null : $all['show'],
            'marks' => $all['marks'] ? null : 'off',
            'piece' => $all['piece'] === 1 ? null : $all['piece'],
            'q' => $all['words'] === '' ? null : $all['words'],
            'only' => $all['only'] === '' ? null : $all['only'],
            'part' => $other['part'] ?? null,
        ], fn ($value) => $value !== null));
    }

    public function toggled(int $editor): string
    {
        return $this->with([
            'by' => in_array($editor, $this->by, true) ? array_values(array_diff($this->by, [$editor])) : [...$this->by, $editor],
        ]);
    }

    public function shows(ChangeLine $entry): bool
    {
        return $this->by === [] || array_filter($entry->editors, fn ($editor) => in_array($editor->id, $this->by, true)) !== [];
    }

    public function highlights(?int $editor): bool
    {
        return $this->by === [] || ($editor !== null && in_array($editor, $this->by, true));
    }
}

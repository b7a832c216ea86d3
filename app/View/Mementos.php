<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\Publishing;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;

/** The states of an item that were live for everybody, each a memento of its address (RFC 7089, 4). */
final readonly class Mementos
{
    private const STAMP = 'YmdHis';

    /** @var Collection<int, Publishing> the oldest first; of two within a second the later one */
    public Collection $all;

    public function __construct(public Item $item)
    {
        $this->all = $item
            ->publishings()
            ->with('version')
            ->whereNotNull('count')
            ->where('is_public', true)
            ->orderBy('count')
            ->get()
            ->keyBy(fn (Publishing $each) => self::at($each)->format(self::STAMP))
            ->values();
    }

    public function stamped(string $stamp): ?Publishing
    {
        return $this->all->last(fn (Publishing $each) => self::at($each)->format(self::STAMP) === $stamp);
    }

    /** What was live at a moment: what came first is the answer to everything before it (RFC 7089, 4.5.3). */
    public function around(int $seconds): Publishing
    {
        return $this->all->last(fn (Publishing $each) => self::at($each)->getTimestamp() <= $seconds) ?? $this->all->firstOrFail();
    }

    /** All of them, in the format of RFC 6690 as RFC 7089, 5, has it. */
    public function timeMap(): string
    {
        $own = route('read.timemap', $this->item->address);

        return implode(",\n", [
            '<'.route('read', $this->item->address).'>;rel="original timegate"',
            "<{$own}>;rel=\"self\";type=\"application/link-format\";from=\""
            .self::http($this->all->firstOrFail())
            .'";until="'
            .self::http($this->all->last() ?? $this->all->firstOrFail())
            .'"',
            ...$this->all->map(fn (Publishing $each) => $this->link($each))->all(),
        ])."\n";
    }

    /** For the header of a page. */
    public function links(?Publishing $shown): string
    {
        $at = $shown === null ? null : (int) $this->all->search(fn (Publishing $each) => $each->id === $shown->id);
        $near = $at === null
            ? [$this->all->first(), $this->all->last()]
            : [$this->all->first(), $this->all[$at - 1] ?? null, $shown, $this->all[$at + 1] ?? null, $this->all->last()];

        return implode(', ', array_unique([
            '<'.route('read', $this->item->address).'>;rel="original timegate"',
            '<'.route('read.timemap', $this->item->address).'>;rel="timemap";type="application/link-format"',
            ...array_map(fn (Publishing $each) => $this->link($each, $at), array_values(array_filter($near))),
        ]));
    }

    /** @return \Illuminate\Support\Collection<string, Publishing> the others by their addresses, the newest first, twenty at most */
    public function besides(Publishing $shown): \Illuminate\Support\Collection
    {
        return $this->all
            ->reject(fn (Publishing $each) => $each->id === $shown->id)
            ->reverse()
            ->take(20)
            ->toBase()
            ->mapWithKeys(
                fn (Publishing $each) => [
                    $each->id === $this->item->live_id ? route('read', $this->item->address) : $this->address($each) => $each,
                ],
            );
    }

    private function link(Publishing $publishing, ?int $shown = null): string
    {
        $at = (int) $this->all->search(fn (Publishing $each) => $each->id === $publishing->id);
        $rel = implode(' ', array_filter([
            $at === 0 ? 'first' : null, $at === $this->all->count() - 1 ? 'last' : null,
            $shown !== null && $at === $shown - 1 ? 'prev' : null, $shown !== null && $at === $shown + 1 ? 'next' : null, 'memento',
        ]));

        return "<{$this->address($publishing)}>;rel=\"{$rel}\";datetime=\"".self::http($publishing).'"';
    }

    public function address(Publishing $publishing): string
    {
        return route('read.memento', [$this->item->address, self::at($publishing)->format(self::STAMP)]);
    }

    public static function http(Publishing $publishing): string
    {
        return self::at($publishing)->format('D, d M Y H:i:s \G\M\T');
    }

    public static function at(Publishing $publishing): CarbonImmutable
    {
        return $publishing->decided_at ?? throw new \LogicException('What was live was decided on');
    }
}

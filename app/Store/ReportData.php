<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Item;
use App\Models\Version;
use Carbon\CarbonImmutable;
use MistyAttic\Core\Calculate\Data\Records;

/** The datasets of a report as they are now, as they stood at a moment, or in versions that are pinned. */
final class ReportData
{
    /** @var array<string, array{Item, Version}|null> */
    private array $found = [];

    /** @param array<string, int> $pinned dataset => version */
    public function __construct(private readonly DatasetColumns $columns, private readonly ?CarbonImmutable $moment = null, private readonly array $pinned = []) {}

    /** As they are at this very time, whatever was looked up before. */
    public function now(): self
    {
        return new self($this->columns);
    }

    public function at(?CarbonImmutable $moment): self
    {
        return new self($this->columns, $moment);
    }

    /** @param array<string, int> $pinned dataset => version */
    public function pinned(array $pinned): self
    {
        return new self($this->columns, null, $pinned);
    }

    /** As readers see it: the data that it was published with, or as it is now. */
    public function published(Item $report): self
    {
        $publishing = $report->live;

        return $publishing === null || $publishing->data === null ? $this->now() : $this->pinned($publishing->data);
    }

    public function item(string $source): ?Item
    {
        return $this->find($source)[0] ?? null;
    }

    /** The version that figures are made from. */
    public function version(string $source): ?Version
    {
        return $this->find($source)[1] ?? null;
    }

    public function records(string $source): ?Records
    {
        $version = $this->version($source);

        return $version === null ? null : $this->columns->records($version->root);
    }

    /** @return array{Item, Version}|null */
    private function find(string $source): ?array
    {
        if (array_key_exists($source, $this->found)) {
            return $this->found[$source];
        }
        $item = Item::query()->where(['key' => $source, 'kind' => 'dataset'])->first();
        $version = $item?->versions()->with('user')->when(isset($this->pinned[$source]), fn ($query) => $query->where('number', $this->pinned[$source]))
            ->when($this->moment, fn ($query, CarbonImmutable $moment) => $query->where('saved_at', '<=', $moment->format('Y-m-d H:i:s')))
            ->orderByDesc('number')->first();

        return $this->found[$source] = $item === null || $version === null ? null : [$item, $version->setRelation('item', $item)];
    }
}

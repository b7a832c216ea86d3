<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Kinds\Dataset\DatasetColumns;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\User;
use App\Models\Version;
use Carbon\CarbonImmutable;
use LogicException;
use MistyAttic\Core\Calculate\Data\Records;

/**
 * The datasets of a report as they are now, as they stood at a moment, or in versions that are pinned; for whoever may see
 * them at the moment of looking: who looks or, of what is published, who published it. For nobody there are none.
 */
final class ReportData
{
    /** @var array<string, array{Item, Version}|null> */
    private array $found = [];

    /**
     * @param  list<int>|null  $eyes  ids of people, of whom one must be on the shelf of a dataset; null until it is said who looks
     * @param  array<string, int>  $pinned  dataset => version
     */
    public function __construct(
        private readonly DatasetColumns $columns,
        private readonly ?array $eyes = null,
        private readonly ?CarbonImmutable $moment = null,
        private readonly array $pinned = [],
    ) {}

    /** As they are at this very time for whoever looks, whatever was looked up before. */
    public function now(User $person): self
    {
        return new self($this->columns, [$person->id]);
    }

    public function at(?CarbonImmutable $moment): self
    {
        return new self($this->columns, $this->eyes, $moment);
    }

    /** @param array<string, int> $pinned dataset => version */
    public function pinned(array $pinned): self
    {
        return new self($this->columns, $this->eyes, null, $pinned);
    }

    /** As readers see it: the data that it was published with, or as it is now, or was when it was taken away. */
    public function published(Publishing $publishing): self
    {
        $data = new self($this->columns, array_values(array_filter([$publishing->user_id, $publishing->decider_id])));

        return $publishing->data === null ? $data->at($publishing->ended_at) : $data->pinned($publishing->data);
    }

    /** As somebody sees a report: readers as it was published, who writes as it is now. */
    public function of(Item $report, User $person): self
    {
        return $report->sight === null || $report->live === null ? $this->now($person) : $this->published($report->live);
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
        $eyes = $this->eyes ?? throw new LogicException('Nobody was said to look at the data: now(), of() and published() say who.');
        $item = Item::query()->with('shelf.memberships')->where(['key' => $source, 'kind' => 'dataset'])->first();
        // What is looked at as it was, or was published with its data, stays as it was.
        $isNow = ! isset($this->pinned[$source]) && $this->moment === null;
        if ($item === null || ($isNow && ! $item->isStanding()) || $item->shelf->memberships->whereIn('user_id', $eyes)->isEmpty()) {
            return $this->found[$source] = null;
        }
        $version = $item
            ->versions()
            ->with('user')
            ->when(isset($this->pinned[$source]), fn ($query) => $query->where('number', $this->pinned[$source]))
            ->when($this->moment, fn ($query, CarbonImmutable $moment) => $query->where('saved_at', '<=', $moment->format('Y-m-d H:i:s')))
            ->orderByDesc('number')->first();

        return $this->found[$source] = $version === null ? null : [$item, $version->setRelation('item', $item)];
    }
}

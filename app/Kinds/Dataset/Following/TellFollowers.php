<?php

declare(strict_types=1);

namespace App\Kinds\Dataset\Following;

use App\Models\Item;
use App\Models\Publishing;
use App\Models\SourceStep;
use App\Models\User;
use App\Models\Version;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * Tells the datasets that follow an item what happened to it: each step by whom and when it was done, in the transaction that did it.
 * They follow what is live: of a form the published questions, and entries as they were agreed to.
 */
final class TellFollowers
{
    /** A version of a sheet or of an entry; what a form's draft becomes is nobody's yet. */
    public function version(Item $item, Version $version): void
    {
        $this->tell($item, $version->number, $version->root, $version->user_id, $version->saved_at);
    }

    public function published(Item $form, Publishing $live): void
    {
        $this->tell(
            $form,
            $live->version->number,
            $live->version->root,
            $live->decider_id ?? $live->user_id,
            $live->decided_at ?? CarbonImmutable::now(),
        );
    }

    /** @param bool $back whether the entry was brought back, and not taken away */
    public function removal(Item $entry, User $person, bool $back): void
    {
        $this->tell($entry, $entry->head, $back ? $entry->root : null, $person->id, CarbonImmutable::now());
    }

    private function tell(Item $item, int $number, ?string $root, int $person, CarbonImmutable $at): void
    {
        $followers = Item::query()->where('source_id', $item->form_id ?? $item->id)->whereNull('source_number')->pluck('id');
        foreach ($followers as $dataset) {
            $row = $this->row($item, $number, $root, $person, $at);
            // A version that grows is one step still.
            $waiting = SourceStep::query()
                ->where(['dataset_id' => $dataset])
                ->orderByDesc('id')
                ->first();
            $waiting !== null
            && $waiting->number === $number
            && $waiting->entry_id === $row['entry_id']
            && $waiting->user_id === $person
            && $waiting->root !== null
            && $root !== null
                ? $waiting->update($row)
                : SourceStep::query()->create([...$row, 'dataset_id' => $dataset]);
        }
        $this->wake($followers);
    }

    /** @return array{number: int, entry_id: int|null, root: string|null, user_id: int, at: CarbonImmutable} */
    private function row(Item $item, int $number, ?string $root, int $person, CarbonImmutable $at): array
    {
        return [
            'number' => $number,
            'entry_id' => $item->form_id === null ? null : $item->id,
            'root' => $root,
            'user_id' => $person,
            'at' => $at,
        ];
    }

    /** @param Collection<int, mixed> $datasets */
    private function wake(Collection $datasets): void
    {
        if ($datasets->isNotEmpty()) {
            DB::afterCommit(fn () => $datasets->each(fn (mixed $dataset) => TakeInSteps::soon((int) $dataset)));
        }
    }
}

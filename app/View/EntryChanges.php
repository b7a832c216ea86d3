<?php

declare(strict_types=1);

namespace App\View;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/** Everything that one person changed in the entries of a form in a time, an entry a line. */
final class EntryChanges
{
    /** Entries that are looked through and taken out at once. */
    public const MOST = 500;

    /** @var list<array{entry: Item, from: int, to: int, sentences: list<string>, at: CarbonImmutable}> */
    public array $lines = [];

    public bool $isCut = false;

    public function __construct(private readonly Item $form, public readonly User $author, public readonly string $since, public readonly string $until, Phrases $phrases, private readonly bool $withDrafts = true)
    {
        $versions = $this->versions()->with('user', 'item')->orderBy('item_id')->orderBy('number')->limit(self::MOST * 4)->get();
        /** @var Collection<int, Collection<int, Version>> $byEntry */
        $byEntry = $versions->groupBy('item_id');
        $this->isCut = $byEntry->count() > self::MOST || $versions->count() === self::MOST * 4;
        foreach ($byEntry->take(self::MOST) as $own) {
            $first = $own->firstOrFail();
            $last = $own->last() ?? $first;
            $this->lines[] = [
                'entry' => $first->item, 'from' => $first->number - 1, 'to' => $last->number,
                'sentences' => array_values($own->map(fn (Version $version) => $phrases->version($version))->all()), 'at' => $last->saved_at,
            ];
        }
        usort($this->lines, fn (array $one, array $two) => $two['at'] <=> $one['at'] ?: $one['entry']->number <=> $two['entry']->number);
    }

    /**
     * Those who changed entries, with how many.
     *
     * @return list<array{User, int}>
     */
    public static function editors(Item $form): array
    {
        $counts = DB::table('versions')->join('items', 'items.id', '=', 'versions.item_id')->where('items.form_id', $form->id)->where('versions.number', '>', 1)
            ->groupBy('versions.user_id')->selectRaw('versions.user_id AS id, COUNT(DISTINCT versions.item_id) AS count')->pluck('count', 'id');

        return array_values(User::query()->whereIn('id', $counts->keys())->orderBy('id')->get()->map(fn (User $user) => [$user, (int) $counts[$user->id]])->all());
    }

    /** @return Builder<Version> the first version of an entry is what was sent, and no change */
    private function versions(): Builder
    {
        return Version::query()->where('user_id', $this->author->id)->where('number', '>', 1)
            ->whereIn('item_id', Item::query()->where('form_id', $this->form->id)->whereNull('deleted_at')->unless($this->withDrafts, fn ($query) => $query->withoutDraft())->select('items.id'))
            ->when($this->since !== '', fn ($query) => $query->where('saved_at', '>=', $this->since))
            ->when($this->until !== '', fn ($query) => $query->where('saved_at', '<', CarbonImmutable::parse($this->until)->addDay()->format('Y-m-d')));
    }
}

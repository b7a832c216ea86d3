<?php

declare(strict_types=1);

namespace App\View\Keeping;

use App\Models\LogLine;
use App\Models\Shelf;
use App\Models\User;
use Illuminate\Contracts\Pagination\LengthAwarePaginator;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\LazyCollection;

/** The log of a shelf, the latest first. */
final readonly class LogView
{
    /** What a line may be about => its deeds. */
    public const ABOUT = [
        'making' => ['item_made', 'item_renamed', 'shelf_marked'],
        'deleting' => ['deleted', 'found', 'deleted_for_good', 'went_for_good', 'moved_to', 'moved_from', 'shelf_deleted', 'shelf_back'],
        'restoring' => ['restored', 'brought_back', 'took_back', 'took_out', 'returned', 'return_undone'],
        'publishing' => ['published', 'unpublished', 'opened', 'closed'],
        'people' => ['invited', 'joined', 'came', 'role', 'left', 'removed', 'may_publish', 'may_not_publish'],
        'rules' => [
            'made',
            'renamed',
            'described',
            'put_away',
            'taken_up',
            'settings',
            'keeping',
            'thinned',
            'versions_deleted',
            'entries_kept',
            'entries_not_kept',
            'kinds_kept',
            'kinds_not_kept',
        ],
        'exports' => ['downloaded', 'copied', 'shelf_copied'],
    ];

    private const PAGE = 50;

    /** @var LengthAwarePaginator<int, LogLine> */
    public LengthAwarePaginator $lines;

    /** @var Collection<int, User> whoever is in it */
    public Collection $people;

    public function __construct(private Shelf $shelf, public string $about, public int $who)
    {
        $this->lines = $this->query()->paginate(self::PAGE)->withQueryString();
        $this->people = User::query()
            ->whereIn('id', LogLine::query()->where('shelf_id', $shelf->id)->select('user_id'))
            ->orderBy('name')
            ->get();
    }

    /** @return LazyCollection<int, LogLine> */
    public function all(): LazyCollection
    {
        return $this->query()->lazy();
    }

    /** @return Builder<LogLine> */
    private function query(): Builder
    {
        return LogLine::query()->with('user')->where('shelf_id', $this->shelf->id)
            ->when($this->about !== '', fn (Builder $query) => $query->whereIn('deed', self::ABOUT[$this->about]))
            ->when($this->who !== 0, fn (Builder $query) => $query->where('user_id', $this->who))->orderByDesc('at')->orderByDesc('id');
    }
}

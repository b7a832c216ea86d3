<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Kinds\Dataset\Fields\BrokenWidgets;
use App\Kinds\Dataset\Following\FollowedData;
use App\Kinds\Dataset\Following\TakeInSteps;
use App\Kinds\Report\DrawnFrom;
use App\Models\Item;
use App\Models\User;
use App\Saving\Compared;
use App\Saving\Rules as Plain;
use App\Saving\Written;
use Closure;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Content\PartTree;

/** What a dataset follows is changed there, and what reports draw from it may break. */
final class Rules extends Plain
{
    public const SCOPED = [DatasetColumns::class];

    public function __construct(private readonly BrokenWidgets $broken, private readonly DrawnFrom $drawn) {}

    public function check(Item $item, User $editor, Written $written, Compared $compared, Closure $since): void
    {
        if ($item->head > 0 && ! $written->follows && $item->follows()) {
            FollowedData::check($item, $since());
        }
    }

    public function breaks(Item $item, PartTree $before, PartTree $after, ChangeSet $changes, string $beforeRoot): array
    {
        return $this->broken->by($item, $before, $after, $changes, $beforeRoot);
    }

    public function hanging(Item $item, User $person): array
    {
        return $this->drawn->hanging($item, $person);
    }

    /** What happened meanwhile to what it follows is taken in. */
    public function removed(Item $item, User $person, bool $back): void
    {
        $back && DB::afterCommit(fn () => TakeInSteps::soon($item->id));
    }

    public function forget(): array
    {
        return [
            DB::table('dataset_columns')
                ->where('used_at', '<', now()->subDays(DatasetColumns::DAYS)->format('Y-m-d H:i:s'))
                ->delete().' columns',
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Models\Item;
use App\Models\Version;
use App\View\PartStep;
use App\View\Phrases;
use App\View\SpanHtml;
use App\View\Story;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Spreadsheet\SpreadsheetRole;

/** Every version that changed something in a column or a tab of a spreadsheet; from the index of touches alone. */
final readonly class StretchStory
{
    private const MOST = 200;

    public Story $story;

    public function __construct(Item $item, PartTree $newest, string $part, Phrases $phrases)
    {
        $kind = Kinds::named($item->kind);
        $of = $newest->get($part);
        $numbers = $of->role === SpreadsheetRole::Column->value ? $this->ofColumn($item, $part) : $this->ofTab($item, $newest, $part);
        $versions = Version::query()
            ->with('user', 'milestone')
            ->where('item_id', $item->id)
            ->whereIn('number', array_slice($numbers, 0, self::MOST))
            ->orderByDesc('number')
            ->get();
        $item->load('origin.item');
        $steps = [];
        foreach ($versions as $at => $version) {
            $steps[] = new PartStep($version, $phrases->version($version->setRelation('item', $item)), $of, new SpanHtml([]), $at === 0);
        }
        $this->story = new Story($kind->label($newest, $of), $steps, max(0, count($numbers) - self::MOST));
    }

    /** @return list<int> versions, the newest first */
    private function ofColumn(Item $item, string $column): array
    {
        return array_values(
            DB::table('touches')
                ->where('item_id', $item->id)
                ->where(fn ($query) => $query->where('part', $column)->orWhere('part', 'like', "%/{$column}"))
                ->distinct()
                ->orderByDesc('number')
                ->pluck('number')
                ->map(fn ($number) => (int) $number)
                ->all(),
        );
    }

    /** @return list<int> versions, the newest first; rows that are gone by now are told by their own history */
    private function ofTab(Item $item, PartTree $newest, string $tab): array
    {
        $below = array_flip(array_map(fn ($part) => $part->id, $newest->subtree($tab)));
        $numbers = [];
        foreach (DB::table('touches')->where('item_id', $item->id)->orderByDesc('number')->select('number', 'part')->cursor() as $touch) {
            if (isset($below[explode('/', (string) $touch->part)[0]])) {
                $numbers[(int) $touch->number] = (int) $touch->number;
            }
        }

        return array_values($numbers);
    }
}

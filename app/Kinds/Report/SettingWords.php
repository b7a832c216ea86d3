<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Models\Item;
use App\Models\Version;
use App\Store\Excerpt;
use App\Store\States;
use App\View\OtherItems;
use App\View\Settings\SettingWords as Plain;
use App\Words\Days;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Dataset\DatasetKind;
use MistyAttic\Core\Kinds\Report\ReportRole;
use MistyAttic\Core\Kinds\Report\Widget;

/** Definitions of widgets in words: fields of datasets by the names they have, or had. */
final class SettingWords extends Plain
{
    /** @var array<string, string> person and field => name */
    private array $names = [];

    public function __construct(private readonly States $states, private readonly OtherItems $others) {}

    public static function of(string $noun, string $field, string $value): ?string
    {
        return $noun === ReportRole::Widget->value || ($noun === ReportRole::Page->value && in_array($field, ['source', 'filters'], true))
            ? app(self::class)->setting($field, $value)
            : null;
    }

    /** A setting of a widget or a page of a report; null when it is none that names something. */
    public function setting(string $field, string $value): ?string
    {
        if ($value === '' || ! in_array($field, ['measure', 'by', 'split', 'filters', 'source', 'format'], true)) {
            return null;
        }
        if ($field === 'format') {
            [$digits, $behind] = explode('|', $value, 2) + ['', ''];

            return trim(($digits === '' ? '' : trans_choice('data.digits', (int) $digits)).' '.trim($behind));
        }
        if ($field === 'source') {
            $dataset = Item::query()->where(['key' => $value, 'kind' => (new DatasetKind)->name()])->first();

            return $dataset !== null && $this->others->tellsOf($dataset) ? $dataset->title : (string) __('data.gone');
        }
        if ($field === 'filters') {
            return implode(
                ', ',
                array_map(
                    fn (array $filter) => (string) __("data.filters.{$filter[1]}", ['of' => $this->name($filter[0]), 'value' => $filter[2]]),
                    Widget::filters(explode(', ', $value)),
                ),
            );
        }
        [$one, $two] = explode(':', $value, 2) + ['', ''];

        return match (true) {
            $field === 'measure' && ! in_array($one, Widget::MEASURES, true) => $value,
            $field === 'measure' => (string) __("data.measures.{$one}", ['of' => $two === '' ? '' : $this->name($two)]),
            $two === '' => $this->name($one),
            default => $this->name($one).', '.__("data.steps.{$two}"),
        };
    }

    /** What a page counts only: of which days, and of one dataset by which filters; nothing when that is all. */
    public function onPage(Part $page): string
    {
        $said = [];
        $period = Widget::period($page);
        if ($period !== null) {
            [$from, $to] = array_map(fn (string $day) => Days::short(new \DateTimeImmutable($day)), $period);
            $open = ($period[0] === Widget::FIRST_DAY ? 'until' : ($period[1] === Widget::LAST_DAY ? 'since' : 'between'));
            $said[] = (string) __("data.days.{$open}", ['from' => $from, 'to' => $to]);
        }
        $filters = Widget::filters($page->strings('filters'));
        if ($filters !== []) {
            $said[] = $this->others->tellsOfKey($page->string('source'))
                ? (string) __('data.page_filters', [
                    'dataset' => (string) $this->setting('source', $page->string('source')),
                    'filters' => (string) $this->setting('filters', implode(', ', $page->strings('filters'))),
                ])
                : trans_choice('data.page_filters_count', count($filters));
        }

        return implode(' · ', $said);
    }

    public function name(string $field): string
    {
        return $this->names[Auth::id().' '.$field] ??= $this->find($field);
    }

    /** A field has been touched since it came; what it is called is in the newest state that has it. */
    private function find(string $field): string
    {
        // Asked dataset by dataset, by index: touches of all items are many.
        $touch = DB::table('touches')
            ->whereIn('item_id', DB::table('items')->whereRaw("kind = 'dataset'")->select('id'))
            ->where('part', $field)
            ->groupBy('item_id')
            ->selectRaw('item_id, MAX(number) AS number, (SELECT root FROM items WHERE items.id = touches.item_id) AS root')
            ->get()
            ->sortByDesc('number')
            ->first();
        if ($touch === null || ! $this->others->tellsOf(Item::query()->whereKey((int) $touch->item_id)->first())) {
            return (string) __('data.gone');
        }
        $before = Version::query()
            ->where('item_id', $touch->item_id)
            ->where('number', '<', (int) $touch->number)
            ->orderByDesc('number')
            ->value('root');
        foreach (array_filter([$touch->root, $before], is_string(...)) as $root) {
            foreach (Excerpt::columns($this->states, (new DatasetKind)->grid(), $root) as $part) {
                if ($part->id === $field) {
                    return $part->string('name');
                }
            }
        }

        return (string) __('data.gone');
    }
}

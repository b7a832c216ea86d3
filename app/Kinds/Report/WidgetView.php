<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Kinds\Dataset\DatasetView;
use App\Models\Item;
use App\Models\Version;
use App\Store\States;
use App\Words\Days;
use App\Words\Numbers;
use Illuminate\Support\Facades\DB;
use MistyAttic\Core\Calculate\Data\Counted;
use MistyAttic\Core\Calculate\Data\Figures;
use MistyAttic\Core\Calculate\Data\Records;
use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Kinds\Report\Widget;

/** A widget with the figures that it shows, in words and numbers, and what they were made from. */
final class WidgetView
{
    /** Versions of a dataset that are looked at for when a widget became empty. */
    private const LOOKED_BACK = 20;

    public readonly Widget $widget;

    public readonly ?Figures $figures;

    public readonly ?Item $dataset;

    public readonly ?Version $version;

    private readonly ?Records $records;

    /** Code of what is wrong with it: source_none, source_gone, field_gone, field_type, broken_field or empty. */
    public readonly ?string $broken;

    /** The field that it misses. */
    public readonly ?string $brokenField;

    public function __construct(public readonly Part $part, private readonly Part $page, ReportData $data)
    {
        $this->widget = new Widget($part);
        if (! $this->widget->isChart()) {
            [$this->figures, $this->dataset, $this->version, $this->records, $this->broken, $this->brokenField] = [
                null,
                null,
                null,
                null,
                null,
                null,
            ];

            return;
        }
        $this->dataset = $data->item($this->widget->source);
        $this->version = $data->version($this->widget->source);
        $this->records = $data->records($this->widget->source);
        $this->figures = $this->records === null
            ? null
            : new Figures($this->widget, $this->records, $this->widget->filtersOf($page), Widget::period($page));
        $problem = $this->figures->problems[0] ?? null;
        $this->broken = match (true) {
            $this->widget->source === '' => 'source_none',
            $this->figures === null => 'source_gone',
            $problem !== null => $problem->code,
            $this->figures->records === 0 => 'empty',
            default => null,
        };
        $this->brokenField = $problem === null ? null : $this->missing();
    }

    public function title(): string
    {
        return $this->part->string('title') === '' ? (string) __("data.widgets.{$this->widget->type}") : $this->part->string('title');
    }

    /** What it counts, by what, of which records: “sum of Paid, by month, Mended is “yes””. */
    public function words(): string
    {
        if (! $this->widget->isChart() || $this->records === null) {
            return '';
        }
        $words = [$this->measureWords()];
        if ($this->widget->by !== '') {
            $words[] = $this->widget->step === '' ? 'by '.$this->name($this->widget->by) : (string) __("data.steps.{$this->widget->step}");
        }
        if ($this->widget->split !== '') {
            $words[] = 'split by '.$this->name($this->widget->split);
        }

        return implode(', ', [...$words, ...array_map($this->filter(...), $this->widget->filters)]);
    }

    public function measureWords(): string
    {
        return (string) __("data.measures.{$this->widget->measure}", [
            'of' => $this->widget->of === '' ? '' : $this->name($this->widget->of),
        ]);
    }

    public function name(string $field): string
    {
        return $this->records !== null && $this->records->has($field) ? $this->records->name($field) : (string) __('data.gone');
    }

    /** Names of the groups as people read them. */
    public function key(int $at): string
    {
        $key = $this->figures->keys[$at] ?? '';

        return match (true) {
            $this->figures !== null && $this->figures->hasRest && $at === count($this->figures->keys) - 1 => (string) __('data.rest'),
            $key === '' => $this->widget->by === '' ? $this->measureWords() : (string) __('data.none'),
            $this->widget->step === 'month' => (new \DateTimeImmutable("{$key}-01"))->format('M Y'),
            $this->widget->step === 'quarter' => substr($key, 5).' '.substr($key, 0, 4),
            $this->widget->step === 'week' => 'week '.(int) substr($key, 6).', '.substr($key, 0, 4),
            $this->widget->step === 'day' => Days::short(new \DateTimeImmutable($key)),
            default => $key,
        };
    }

    public function number(int|float|null $value): string
    {
        if ($value === null) {
            return '';
        }
        [$digits, $behind] = explode('|', $this->widget->format, 2) + ['', ''];
        $digits = preg_match('/^[0-6]$/D', $digits) === 1 ? (int) $digits : (is_int($value) ? 0 : 2);

        return Numbers::said($value, $digits).$behind;
    }

    public function seriesName(int $at): string
    {
        $name = $this->figures->series[$at]['name'] ?? '';
        if ($this->figures->series[$at]['isRest'] ?? false) {
            return (string) __('data.rest');
        }

        return $name === '' ? ($this->widget->split === '' ? $this->measureWords() : (string) __('data.none')) : $name;
    }

    /**
     * What the groups do not show, in words.
     *
     * @return list<string>
     */
    public function leftOut(): array
    {
        $figures = $this->figures;
        if ($figures === null || $this->widget->step === '' || $this->widget->type === 'figure') {
            return [];
        }
        $said = [];
        foreach (['undated' => $figures->undated, 'earlier' => $figures->earlier] as $code => $count) {
            if ($count > 0) {
                $said[] = trans_choice("data.left_out.{$code}", $count, [
                    'count' => Numbers::said($count),
                    'field' => $this->name($this->widget->by),
                    'first' => $this->key(0),
                ]);
            }
        }

        return $said;
    }

    /**
     * One figure, and the one of the step of time before it.
     *
     * @return array{int|float|null, int|float|null, string}
     */
    public function figure(): array
    {
        $values = $this->figures->series[0]['values'] ?? [];
        $last = count($values) - 1;

        return $this->widget->step === ''
            ? [$values[0] ?? null, null, '']
            : [$values[$last] ?? null, $values[$last - 1] ?? null, $last < 1 ? '' : $this->key($last - 1)];
    }

    /** @return array<string, mixed> what a chart is drawn from */
    public function chart(): array
    {
        $figures = $this->figures ?? throw new \LogicException('Only charts are drawn');

        return [
            'type' => $this->widget->type,
            'label' => $this->title().': '.$this->words(),
            'time' => $this->widget->step !== '',
            'keys' => array_map($this->key(...), array_keys($figures->keys)),
            'split' => $this->widget->split !== '',
            'series' => array_map(
                fn (int $at) => [
                    'name' => $this->seriesName($at),
                    'values' => $figures->series[$at]['values'],
                    'said' => array_map($this->number(...), $figures->series[$at]['values']),
                ],
                array_keys($figures->series),
            ),
        ];
    }

    /** What is wrong with it, in words. */
    public function problem(): ?string
    {
        if ($this->broken === 'empty' && $this->unmet() !== []) {
            return (string) __('data.broken.empty_filter', [
                'filters' => implode((string) __('data.filter_and'), array_map($this->filter(...), $this->unmet())),
            ]);
        }

        return $this->broken === null
            ? null
            : (string) __("data.broken.{$this->broken}", [
                'name' => $this->brokenField ?? '',
                'needed' => (string) __('data.plain.'.($this->figures?->problems[0]->variables['needed'] ?? 'any')),
            ]);
    }

    /**
     * The filters that no record meets: one of them alone, or else all of them together; none where there are no records at all.
     *
     * @return list<array{string, string, string}>
     */
    private function unmet(): array
    {
        $filters = [...$this->widget->filtersOf($this->page), ...$this->widget->filters];
        if ($this->records === null || $this->records->count === 0 || Widget::period($this->page) !== null) {
            return [];
        }
        foreach ($filters as $filter) {
            if ((new Counted(new Widget($this->part->without('filters')), $this->records, [$filter]))->rows === []) {
                return [$filter];
            }
        }

        return $filters;
    }

    /** @param array{string, string, string} $filter field, way and value */
    private function filter(array $filter): string
    {
        [$field, $way, $value] = $filter;
        $isNumber = is_numeric($value)
        && $this->records !== null
        && $this->records->has($field)
        && in_array($this->records->type($field), ['number', 'money'], true);

        return (string) __("data.filters.{$way}", [
            'of' => $this->name($field),
            'value' => $isNumber ? DatasetView::separated($value + 0) : $value,
        ]);
    }

    private function missing(): string
    {
        $problem = $this->figures?->problems[0];
        if ($problem === null) {
            return '';
        }
        if ($problem->code !== 'field_gone') {
            return (string) $problem->variables['name'];
        }

        return $this->goneField()?->string('name') ?? (string) __('data.gone');
    }

    /** Id of the field that is wanting. */
    public function brokenFieldId(): ?string
    {
        $problem = $this->figures->problems[0] ?? null;
        if ($problem === null) {
            return null;
        }
        $what = ['measure' => $this->widget->of, 'by' => $this->widget->by, 'split' => $this->widget->split][$problem->path] ?? '';
        if ($problem->code === 'broken_field' && $what !== '') {
            // What it is calculated from went, and that is what has to come back.
            $why = $this->records?->problems($what)[0] ?? null;

            return $why?->code === 'no_field' ? (string) $why->variables['name'] : $what;
        }

        return $problem->code === 'field_gone' ? (string) $problem->variables['field'] : ($what === '' ? null : $what);
    }

    /** What its dataset follows, where the field that it misses comes from there: that is where it comes back. */
    public function followed(): ?Item
    {
        return $this->dataset !== null && $this->dataset->follows() && $this->goneField()?->string('expression') === ''
            ? $this->dataset->source
            : null;
    }

    /** The field as it was before it was removed. */
    public function goneField(): ?Part
    {
        return once(function (): ?Part {
            $gone = $this->wentIn();

            return $gone === null ? null : app(States::class)->tree($gone[0]->root)->find((string) $this->brokenFieldId());
        });
    }

    /**
     * The version of the dataset in which the field went, or became something else, after the one before it; looked for once, and only if
     * it is asked for.
     *
     * @return array{Version, Version}|null
     */
    public function wentIn(): ?array
    {
        return once(fn (): ?array => $this->went());
    }

    /** @return array{Version, Version}|null */
    private function went(): ?array
    {
        $field = $this->brokenFieldId();
        if ($field === null || $this->dataset === null || $this->version === null) {
            return null;
        }
        $number = $this->touched($field, $this->version->number);
        $pair = $number === null
            ? null
            : Version::query()
                ->with('user')
                ->where('item_id', $this->dataset->id)
                ->where('number', '<=', $number)
                ->orderByDesc('number')
                ->limit(2)
                ->get()
                ->reverse();

        [$before, $in] = [$pair?->first(), $pair?->last()];

        return $before === null || $in === null || $before->id === $in->id ? null : [$before, $in];
    }

    /** The version in which a field became what it is in a state; what a restore put back is followed to where it came from. */
    private function touched(string $field, int $until): ?int
    {
        $number = DB::table('touches')
            ->where(['item_id' => $this->dataset?->id, 'part' => $field])
            ->where('number', '<=', $until)
            ->max('number');
        $source = $number === null
            ? null
            : Version::query()
                ->where(['item_id' => $this->dataset?->id, 'number' => $number])
                ->value('source');
        if (! is_int($source) || $source >= $number) {
            return $number === null ? null : (int) $number;
        }
        $states = app(States::class);
        [$then, $now] = array_map(
            fn (int $of) => $states
                ->tree(
                    (string) Version::query()
                        ->where(['item_id' => $this->dataset?->id, 'number' => $of])
                        ->value('root'),
                )
                ->find($field),
            [$source, (int) $number],
        );

        return $then?->fields === $now?->fields ? $this->touched($field, $source) ?? (int) $number : (int) $number;
    }

    /**
     * The version of its dataset since which nothing is counted any more, after the last one in which something was; looked for
     * among the latest ones.
     *
     * @return array{Version, Version}|null
     */
    public function emptySince(ReportData $data): ?array
    {
        if ($this->broken !== 'empty' || $this->dataset === null || $this->version === null) {
            return null;
        }
        $later = $this->version;
        foreach (
            $this->dataset
                ->versions()
                ->with('user')
                ->where('number', '<', $this->version->number)
                ->orderByDesc('number')
                ->limit(self::LOOKED_BACK)
                ->get() as $version
        ) {
            if ((new self($this->part, $this->page, $data->pinned([$this->widget->source => $version->number])))->broken === null) {
                return [$version, $later];
            }
            $later = $version;
        }

        return null;
    }

    /** The page that it is on. */
    public function page(): Part
    {
        return $this->page;
    }
}

<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Models\Item;
use App\Models\Version;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Gate;

/** What is wrong with a widget that shows nothing, since when, and what can be done about it. */
final readonly class Mending
{
    public ?string $problem;

    /**
     * @param  array{string, array<string, string|int|null>, CarbonImmutable}|null  $since  the key of a sentence with a moment in it, its
     *     values and the moment
     * @param  list<array{said: string, to: string, seen: int|null}>  $ways  what a press does and where it leads; `seen` of a form: the
     *     version that was looked at
     */
    private function __construct(WidgetView $widget, public ?array $since, public array $ways)
    {
        $this->problem = $widget->problem();
    }

    /** For who only reads: of what is published nobody is named. */
    public static function told(WidgetView $widget, bool $toReaders = false): self
    {
        return new self($widget, self::went($widget, $toReaders), []);
    }

    /** For who works on the report, as far as they may. */
    public static function offered(WidgetView $widget, Item $report, ReportData $data): self
    {
        if ($widget->broken !== 'empty') {
            return new self($widget, self::went($widget, false), self::ways($widget, $report));
        }
        $since = $widget->emptySince($data);

        return $since === null
            ? new self($widget, null, [])
            : new self($widget, self::emptied($widget, $since[1]), self::both($report, $since[1]));
    }

    /** @return array{string, array<string, string|int|null>, CarbonImmutable}|null */
    private static function went(WidgetView $widget, bool $toReaders): ?array
    {
        $went = $widget->broken === 'empty' ? null : $widget->wentIn();
        if ($went === null) {
            return null;
        }
        $line = ['field_type' => 'retyped_since', 'broken_field' => 'input_since'][$widget->broken] ?? 'since';

        return [
            ($toReaders ? 'data.read.' : 'data.').$line,
            [
                'input' => $widget->goneField()?->string('name'),
                'who' => $toReaders ? '' : $went[1]->user->firstName(),
                'number' => $went[1]->number,
                'title' => $widget->dataset?->title,
            ],
            $went[1]->saved_at,
        ];
    }

    /** @return array{string, array<string, string|int|null>, CarbonImmutable} */
    private static function emptied(WidgetView $widget, Version $in): array
    {
        return [
            'data.emptied_since',
            ['number' => $in->number, 'title' => $widget->dataset?->title, 'who' => $in->user->firstName()],
            $in->saved_at,
        ];
    }

    /** @return list<array{said: string, to: string, seen: int|null}> */
    private static function ways(WidgetView $widget, Item $report): array
    {
        $went = $widget->wentIn();
        $dataset = $widget->dataset;
        if ($went === null || $dataset === null) {
            return [];
        }
        $isGone = $widget->broken !== 'field_type';
        $name = $widget->goneField()?->string('name');
        $followed = $widget->followed();
        if ($followed !== null) {
            // What comes from elsewhere comes back there.
            return ! $isGone || Gate::denies('draft', $followed)
                ? []
                : [
                    self::way(
                        'where',
                        ['name' => $name, 'title' => $followed->title],
                        route('part', [$followed, $widget->brokenFieldId()]),
                    ),
                ];
        }
        $back = match (true) {
            Gate::denies('restore', $dataset) => [],
            $isGone => [
                self::way(
                    'back',
                    ['name' => $name],
                    route('part.restore', [$dataset, $widget->brokenFieldId(), $went[0]->number]),
                    $dataset->head,
                ),
            ],
            default => [self::way('restore', ['name' => $widget->brokenField], route('restore', [$dataset, $went[0]->number]))],
        };

        return [...$back, ...self::both($report, $went[1])];
    }

    /**
     * The report and its data as they were when the report was last saved before the data changed.
     *
     * @return list<array{said: string, to: string, seen: int|null}>
     */
    private static function both(Item $report, Version $in): array
    {
        $number = Gate::denies('restore', $report)
            ? null
            : $report->versions()->where('saved_at', '<', $in->saved_at->format('Y-m-d H:i:s'))->max('number');

        return $number === null ? [] : [self::way('both', [], route('restore', [$report, $number]))];
    }

    /**
     * @param  array<string, string|null>  $values
     * @return array{said: string, to: string, seen: int|null}
     */
    private static function way(string $said, array $values, string $to, ?int $seen = null): array
    {
        return ['said' => (string) __("data.mend.{$said}", $values), 'to' => $to, 'seen' => $seen];
    }
}

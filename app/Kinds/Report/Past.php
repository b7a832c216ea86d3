<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Kinds\Dataset\DatasetPlans;
use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\View\LookedAt;
use App\View\Past as Plain;
use App\View\Phrases;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Miniature\Sample;

/** A report is looked at with the data of the time. Readers see no data that is newer than what was published for them. */
final class Past extends Plain
{
    public const VIEW = 'kinds.report.past';

    public const TELLS_AUTHORS = false;

    public function __construct(States $states, private readonly ReportData $data, private readonly SettingWords $words)
    {
        parent::__construct($states);
    }

    public function of(LookedAt $at): array
    {
        $data = $this->data->of($at->item, $at->person);
        $comparison = $at->comparison;

        return $at->asItWas()
            ? [
                'report' => (new ReportView(
                    $comparison->old,
                    $at->address->show === 'today' ? $data : $data->at($comparison->from->saved_at),
                ))->mending(Mending::told(...)),
                'fromLive' => $at->wasLive(),
            ]
            : [
                'compared' => new ReportCompared(
                    $comparison,
                    $data->at($comparison->from->saved_at),
                    $at->address->to === $at->item->head ? $data : $data->at($comparison->to->saved_at),
                    $this->words,
                ),
            ];
    }

    /** Its datasets can come back with it. */
    public function plan(Item $item, Version $version, User $person, Phrases $phrases): array
    {
        return [
            ...parent::plan($item, $version, $person, $phrases),
            'data' => new DatasetPlans($item, $version, $person, $this->data->now($person), $this->states, $phrases),
        ];
    }

    /** The data of then stays where it is: a copy shows that of today. */
    public function copied(Version $version): ?string
    {
        return $version->number === $version->item->head ? null : (string) __('report.copied');
    }

    public function switches(LookedAt $at): array
    {
        return $at->address->view !== 'was'
            ? []
            : [
                [
                    'label' => (string) __('report.data'),
                    'choices' => self::choices($at->address->show === 'today' ? 'today' : 'values', 'show', ['values', 'today'], [
                        'values' => (string) __('report.data_of_then'),
                        'today' => (string) __('report.data_of_today'),
                    ]),
                ],
            ];
    }

    /** Its widgets with the figures of the time. */
    public function fromAfar(Item $item, Version $version, User $person, Sample $sample): Sample
    {
        $data = $this->data->of($item, $person);
        $report = new ReportView(PartTree::of($sample->parts), $item->sight === null ? $data->at($version->saved_at) : $data);
        $figures = [];
        foreach ($report->widgets() as $id => $widget) {
            if ($widget->figures !== null && $widget->broken === null) {
                $figures[$id] = ['values' => $widget->figures->series[0]['values'] ?? [], 'said' => $widget->number($widget->figure()[0])];
            }
        }

        return parent::fromAfar($item, $version, $person, $sample)->with(figures: $figures);
    }
}

<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Models\Item;
use App\Models\Publishing;
use App\Models\User;
use App\Models\Version;
use App\Store\States;
use App\View\Readers\ForReaders as Plain;
use App\View\Readers\PublicPage;
use App\View\Readers\PublishingPlan;
use Closure;
use Illuminate\Contracts\View\View;

/** A report is read with its figures: those of the day when it was published, or those of now. */
final class ForReaders extends Plain
{
    public function __construct(States $states, private readonly ReportData $data, private readonly PinnedData $pinned)
    {
        parent::__construct($states);
    }

    public function page(Publishing $publishing, Closure $picture): PublicPage
    {
        // With the data that it was published with, or that it followed as long as it was live.
        $report = (new ReportView($this->states->tree($publishing->version->root), $this->data->published($publishing)))->mending(
            fn (WidgetView $widget): Mending => Mending::told($widget, toReaders: true),
        );

        return new PublicPage(
            'kinds.report.public',
            ['report' => $report, 'data' => 'published', 'pictures' => $picture],
            $publishing->data === null,
            $report->sources(),
            scripts: true,
        );
    }

    public function seen(PublishingPlan $plan, User $person): View
    {
        $now = $this->data->now($person);
        if ($plan->comparison === null || $plan->changesNothing()) {
            return view('kinds.report.seen', ['report' => (new ReportView($plan->tree, $now))->mending(Mending::told(...))]);
        }
        $then = $plan->item->live?->data === null ? $now : $now->pinned($plan->item->live->data);

        return view('kinds.report.past', [
            'compared' => new ReportCompared($plan->comparison, $then, $now, app(SettingWords::class)),
            'from' => $plan->live,
            'to' => $plan->version,
        ]);
    }

    public function behind(Item $item, Version $version): array
    {
        return $this->pinned->behind($item, $version);
    }
}

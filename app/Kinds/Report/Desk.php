<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Models\Item;
use App\Models\User;
use App\Store\States;
use App\View\Desks\Desk as Plain;
use Illuminate\Contracts\View\View;
use Illuminate\Support\Facades\Gate;

/** A report is put together from widgets, which are drawn as they are. */
final class Desk extends Plain
{
    public const VIEW = 'kinds.report.write';

    public function __construct(States $states, private readonly ReportData $data, private readonly DrawnFrom $drawn)
    {
        parent::__construct($states);
    }

    public function of(Item $item, User $person, string $shown): array
    {
        return [
            'report' => self::report($item, $this->states, $this->data->now($person)),
            'shown' => $shown,
            'mayWrite' => Gate::allows('write', $item),
            'data' => null,
            'drawn' => $this->drawn->stamp($item),
        ];
    }

    /** The newest state, with what can be done about widgets that show nothing. */
    public static function report(Item $item, States $states, ReportData $data): ReportView
    {
        return (new ReportView($states->tree($item->root), $data))->mending(
            fn (WidgetView $widget): Mending => Mending::offered($widget, $item, $data),
        );
    }

    /** Its data may move while it stays as it is. */
    public function news(Item $item): array
    {
        return ['data' => $this->drawn->stamp($item)];
    }

    public function read(Item $item, User $person): View
    {
        return view('kinds.report.read', [
            'item' => $item,
            'report' => (new ReportView($this->states->tree($item->root), $this->data->of($item, $person)))->mending(Mending::told(...)),
        ]);
    }
}

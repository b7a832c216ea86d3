@if ($kind->name() === 'report' && $plan->comparison !== null && ! $plan->changesNothing())
    @include('history.report', ['compared' => new App\Kinds\Report\ReportCompared($plan->comparison, $plan->then, $plan->now, app(App\View\FieldWords::class)), 'from' => $plan->live, 'to' => $plan->version])
@else
<div class="state @if ($kind->beside() !== null) is-page @endif" tabindex="0" role="region" aria-label="What readers will see" data-state>
    @if ($kind->name() === 'form')
        <div class="form-rows">@foreach ((new App\Kinds\Form\FormRows($blocks, false))->rows as $row)@include('form.row', ['comparison' => $plan])@endforeach</div>
    @elseif ($kind->name() === 'report')
        <div class="report-sheet">@include('report.sheet', ['report' => new App\View\ReportView($plan->new, $plan->now), 'shown' => '', 'mayWrite' => false, 'data' => 'past'])</div>
    @elseif ($kind->beside() === null)
        <article class="paper prose">@foreach ($blocks as $block)@include('history.block', ['side' => 'both'])@endforeach</article>
    @elseif ($plan->comparison === null || $plan->changesNothing())
        <div class="page">{{ $plan->page() }}</div>
    @else
        <div class="page" data-traced>@include('page.compared', ['side' => 'both', 'named' => true])</div>
    @endif
</div>
@endif

<div class="widget-broken" role="note">
    <p><b>{{ $widget->problem() }}</b> @if (! isset($data) && ! isset($pictures) && ($since = $widget->emptySince($report->data)) !== null)<x-said-when line="data.emptied_since" :values="['number' => $since[1]->number, 'title' => $widget->dataset->title, 'who' => $since[1]->user->firstName()]" :at="$since[1]->saved_at" />@endif</p>
    @isset($since)
        <p class="widget-mend">
            @if (Gate::allows('restore', $item) && ($before = App\Kinds\Report\ReportMending::lastGood($item, $since[1])) !== null)<a class="button" href="{{ route('restore', [$item, $before]) }}">{{ __('views/kinds/report.empty.restore_both') }}</a>@endif
            @if ($mayWrite)<button type="button" class="button" data-set>{{ __('views/kinds/report.empty.use_another_field') }}</button>@endif
        </p>
    @endisset
</div>

@php($went = $widget->wentIn())
@php($isRead = ($pictures ?? null) !== null)
{{-- Of a dataset that follows something, what is missing comes back where it comes from. --}}
@php($source = $widget->dataset !== null && $widget->dataset->follows() && $widget->goneField()?->string('expression') === '' ? $widget->dataset->source : null)
<div class="widget-broken" role="note">
    <p><b>{{ $widget->problem() }}</b>
        @if ($went !== null)<x-said-when :line="($isRead ? 'data.read.' : 'data.').(['field_type' => 'retyped_since', 'broken_field' => 'input_since'][$widget->broken] ?? 'since')" :values="['input' => $widget->goneField()?->string('name'), 'who' => $isRead ? '' : $went[1]->user->firstName(), 'number' => $went[1]->number, 'title' => $widget->dataset->title]" :at="$went[1]->saved_at" />@endif
    </p>
    @if (($data ?? null) === null && ! $isRead)
        <p class="widget-mend">
            @if ($went !== null && $widget->broken !== 'field_type' && $source !== null)
                @if (Gate::allows('draft', $source))<a class="button" href="{{ route('part', [$source, $widget->brokenFieldId()]) }}">{{ __('views/kinds/report.broken.where_went_in', ['string' => $widget->goneField()?->string('name'), 'title' => $source->title]) }}</a>@endif
            @elseif ($went !== null && $widget->broken !== 'field_type' && Gate::allows('restore', $widget->dataset))
                <button type="submit" class="button" form="mend-{{ $widget->part->id }}">{{ __('views/kinds/report.broken.bring_back', ['string' => $widget->goneField()?->string('name')]) }}</button>
            @elseif ($went !== null && $source === null && Gate::allows('restore', $widget->dataset))
                <a class="button" href="{{ route('restore', [$widget->dataset, $went[0]->number]) }}">{{ __('views/kinds/report.broken.bring_back_2', ['broken_field' => $widget->brokenField]) }}</a>
            @endif
            @if ($went !== null && $source === null && Gate::allows('restore', $item) && ($before = App\Kinds\Report\ReportMending::lastGood($item, $went[1])) !== null)<a class="button" href="{{ route('restore', [$item, $before]) }}">{{ __('views/kinds/report.broken.restore_both') }}</a>@endif
            @if ($mayWrite)<button type="button" class="button" data-set>{{ $widget->broken === 'source_none' ? __('views/kinds/report.broken.choose_one') : __('views/kinds/report.broken.use_another_field') }}</button>@endif
        </p>
        @if ($went !== null && $source === null && $widget->broken !== 'field_type' && Gate::allows('restore', $widget->dataset))<form id="mend-{{ $widget->part->id }}" method="post" action="{{ route('part.restore', [$widget->dataset, $widget->brokenFieldId(), $went[0]->number]) }}">@csrf<input type="hidden" name="seen" value="{{ $widget->dataset->head }}"></form>@endif
    @endif
</div>

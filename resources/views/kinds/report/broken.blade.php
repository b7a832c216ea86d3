<div class="widget-broken" role="note">
    <p><b>{{ $widget->problem() }}</b>
        @if ($widget->wentIn() !== null)<x-said-when :line="(isset($pictures) ? 'data.read.' : 'data.').(['field_type' => 'retyped_since', 'broken_field' => 'input_since'][$widget->broken] ?? 'since')" :values="['input' => $widget->goneField()?->string('name'), 'who' => isset($pictures) ? '' : $widget->wentIn()[1]->user->firstName(), 'number' => $widget->wentIn()[1]->number, 'title' => $widget->dataset->title]" :at="$widget->wentIn()[1]->saved_at" />@endif
    </p>
    @if (($data ?? null) === null && ! isset($pictures))
        <p class="widget-mend">
            @if ($widget->wentIn() !== null && $widget->broken !== 'field_type' && $widget->followed() !== null)
                @if (Gate::allows('draft', $widget->followed()))<a class="button" href="{{ route('part', [$widget->followed(), $widget->brokenFieldId()]) }}">{{ __('views/kinds/report.broken.where_went_in', ['string' => $widget->goneField()?->string('name'), 'title' => $widget->followed()->title]) }}</a>@endif
            @elseif ($widget->wentIn() !== null && $widget->broken !== 'field_type' && Gate::allows('restore', $widget->dataset))
                <button type="submit" class="button" form="mend-{{ $widget->part->id }}">{{ __('views/kinds/report.broken.bring_back', ['string' => $widget->goneField()?->string('name')]) }}</button>
            @elseif ($widget->wentIn() !== null && $widget->followed() === null && Gate::allows('restore', $widget->dataset))
                <a class="button" href="{{ route('restore', [$widget->dataset, $widget->wentIn()[0]->number]) }}">{{ __('views/kinds/report.broken.bring_back_2', ['broken_field' => $widget->brokenField]) }}</a>
            @endif
            @if ($widget->wentIn() !== null && $widget->followed() === null && Gate::allows('restore', $item) && ($before = App\Kinds\Report\ReportMending::lastGood($item, $widget->wentIn()[1])) !== null)<a class="button" href="{{ route('restore', [$item, $before]) }}">{{ __('views/kinds/report.broken.restore_both') }}</a>@endif
            @if ($mayWrite)<button type="button" class="button" data-set>{{ $widget->broken === 'source_none' ? __('views/kinds/report.broken.choose_one') : __('views/kinds/report.broken.use_another_field') }}</button>@endif
        </p>
        @if ($widget->wentIn() !== null && $widget->followed() === null && $widget->broken !== 'field_type' && Gate::allows('restore', $widget->dataset))<form id="mend-{{ $widget->part->id }}" method="post" action="{{ route('part.restore', [$widget->dataset, $widget->brokenFieldId(), $widget->wentIn()[0]->number]) }}">@csrf<input type="hidden" name="seen" value="{{ $widget->dataset->head }}"></form>@endif
    @endif
</div>

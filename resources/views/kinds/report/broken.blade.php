<div class="widget-broken" role="note">
    <p><b>{{ $mending->problem }}</b> @if ($mending->since !== null)<x-said-when :line="$mending->since[0]" :values="$mending->since[1]" :at="$mending->since[2]" />@endif</p>
    @if ($mending->ways !== [] || $mayWrite)
        <p class="widget-mend">
            @foreach ($mending->ways as $at => $way)
                @if ($way['seen'] === null)<a class="button" href="{{ $way['to'] }}">{{ $way['said'] }}</a>@else<button type="submit" class="button" form="mend-{{ $widget->part->id }}-{{ $at }}">{{ $way['said'] }}</button>@endif
            @endforeach
            @if ($mayWrite)<button type="button" class="button" data-set>{{ $widget->broken === 'source_none' ? __('views/kinds/report.broken.choose_one') : __('views/kinds/report.broken.use_another_field') }}</button>@endif
        </p>
        @foreach ($mending->ways as $at => $way)
            @if ($way['seen'] !== null)<form id="mend-{{ $widget->part->id }}-{{ $at }}" method="post" action="{{ $way['to'] }}">@csrf<input type="hidden" name="seen" value="{{ $way['seen'] }}"></form>@endif
        @endforeach
    @endif
</div>

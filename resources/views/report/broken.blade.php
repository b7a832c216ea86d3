<div class="widget-broken" role="note">
    <p><b>{{ $widget->problem() }}</b>
        @php($went = $widget->wentIn())
        @if ($went !== null) {{ __(['field_type' => 'data.retyped_since', 'broken_field' => 'data.input_since'][$widget->broken] ?? 'data.since', ['input' => $widget->goneField()?->string('name'), 'who' => $went[1]->user->firstName(), 'number' => $went[1]->number, 'title' => $widget->dataset->title, 'when' => $went[1]->saved_at->format($went[1]->saved_at->isCurrentYear() ? 'j M' : 'j M Y')]) }} @endif
    </p>
    @if (($data ?? null) === null && ($pictures ?? null) === null)
        <p class="widget-mend">
            @if ($went !== null && $widget->broken !== 'field_type' && Gate::allows('restore', $widget->dataset))
                <button type="submit" class="button" form="mend-{{ $widget->part->id }}">Bring “{{ $widget->goneField()?->string('name') }}” back</button>
            @elseif ($went !== null && Gate::allows('restore', $widget->dataset))
                <a class="button" href="{{ route('restore', [$widget->dataset, $went[0]->number]) }}">Bring “{{ $widget->brokenField }}” back…</a>
            @endif
            @if ($went !== null && Gate::allows('restore', $item) && ($before = App\View\ReportMending::lastGood($item, $went[1])) !== null)<a class="button" href="{{ route('restore', [$item, $before]) }}">Restore both…</a>@endif
            @if ($mayWrite)<button type="button" class="button" data-set>{{ $widget->broken === 'source_none' ? 'Choose one…' : 'Point it elsewhere…' }}</button>@endif
        </p>
        @if ($went !== null && $widget->broken !== 'field_type' && Gate::allows('restore', $widget->dataset))<form id="mend-{{ $widget->part->id }}" method="post" action="{{ route('part.restore', [$widget->dataset, $widget->brokenFieldId(), $went[0]->number]) }}">@csrf<input type="hidden" name="seen" value="{{ $widget->dataset->head }}"></form>@endif
    @endif
</div>

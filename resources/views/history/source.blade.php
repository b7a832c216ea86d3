<div class="state is-source" tabindex="0" role="region" aria-label="{{ __('views/history.source.the_source_of_both', ['number' => $from->number, 'later' => $to->number]) }}" data-state>
    <table class="source">
        <caption>{{ __('views/history.source.lines_that_changed_and_three_around', ['name' => $source->name]) }} @if ($source->isEmpty()) {{ __('views/history.source.the_source_is_the_same_at') }}@endif</caption>
        <tbody>
            @foreach ($source->lines as $line)
                <tr class="was-{{ $line->state }}">@if ($line->state === 'gap')<td colspan="3">{{ $line->text }}</td>@else<td class="source-number">{{ $line->old }}</td><td class="source-number">{{ $line->new }}</td><td><code>{{ $line->text }}</code></td>@endif</tr>
            @endforeach
        </tbody>
    </table>
</div>

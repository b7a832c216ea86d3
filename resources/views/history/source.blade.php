<div class="state is-source" tabindex="0" role="region" aria-label="The source of {{ $from->number }} and {{ $to->number }}" data-state>
    <table class="source">
        <caption>{{ $source->name }}: lines that changed, and three around them. @if ($source->isEmpty()) The source is the same at both ends.@endif</caption>
        <tbody>
            @foreach ($source->lines as $line)
                <tr class="was-{{ $line->state }}">@if ($line->state === 'gap')<td colspan="3">{{ $line->text }}</td>@else<td class="source-number">{{ $line->old }}</td><td class="source-number">{{ $line->new }}</td><td><code>{{ $line->text }}</code></td>@endif</tr>
            @endforeach
        </tbody>
    </table>
</div>

<div class="state is-source" tabindex="0" role="region" aria-label="The source of {{ $from->number }} and {{ $to->number }}" data-state>
    <table class="source">
        <caption>{{ $source->name }}: lines that changed, and three around them. @if ($source->isEmpty()) The source is the same at both ends.@endif</caption>
        <tbody>
            @foreach ($source->lines as $line)
                <tr class="was-{{ $line->state }}"><th scope="row">{{ $line->old }}</th><th scope="row">{{ $line->new }}</th><td>@if ($line->state === 'gap')<span>{{ $line->text }}</span>@else<code>{{ $line->text }}</code>@endif</td></tr>
            @endforeach
        </tbody>
    </table>
</div>

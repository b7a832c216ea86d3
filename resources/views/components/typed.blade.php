@props(['typed', 'head'])
@if ($typed !== [])
    <section class="typed"><h2>{{ $head }}</h2>
        <dl>@foreach ($typed as $question => $words)<div><dt>{{ $question }}</dt><dd>{{ $words }}</dd></div>@endforeach</dl>
    </section>
@endif

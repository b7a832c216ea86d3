<span class="switch" role="group" aria-label="Shown as">
    @foreach (['entries' => 'List', 'entries.sums' => 'Summed up', 'entries.changes' => 'Changes'] + ($item->shelf->asks_entries ? ['entries.waiting' => 'Waiting'] : []) as $route => $name)<a href="{{ route($route, $item) }}" @if ($at === $route) aria-current="true" @endif>{{ $name }}@if ($route === 'entries.waiting' && $count() > 0) {{ $count() }}@endif</a>@endforeach
</span>

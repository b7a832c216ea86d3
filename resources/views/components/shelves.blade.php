<nav class="side" aria-label="Shelves">
    <h2>Shelves</h2>
    @foreach ($shelves as $shelf)
        <a href="{{ route('shelf', $shelf) }}" @if ($current !== null && $shelf->is($current) && $at === 'items') aria-current="page" @elseif ($current !== null && $shelf->is($current)) class="is-open" @endif><span>{{ $shelf->name }}@if ($shelf->archived_at !== null) <small>put away</small>@endif</span> <span class="side-count">{{ $shelf->items_count }}</span></a>
    @endforeach
    <a class="side-more" href="{{ route('shelf.new') }}" @if ($at === 'new') aria-current="page" @endif><span>New shelf…</span></a>
    <a href="{{ route('lost.all') }}" @if ($current === null && $at === 'lost') aria-current="page" @endif><span>Lost &amp; found of all</span></a>
    <a href="{{ route('milestones') }}" @if ($current === null && $at === 'milestones') aria-current="page" @endif><span>Milestones</span></a>
    @if ($current !== null)
        <h2>This shelf</h2>
        <a href="{{ route('day', $current) }}" @if ($at === 'day') aria-current="page" @endif><span>{{ __('day.title') }}</span></a>
        <a href="{{ route('people', $current) }}" @if ($at === 'people') aria-current="page" @endif><span>People</span></a>
        @can('lost', $current)<a href="{{ route('lost', $current) }}" @if ($at === 'lost') aria-current="page" @endif><span>Lost &amp; found</span></a>@endcan
        <a href="{{ route('keeping.shelf', $current) }}" @if ($at === 'keeping') aria-current="page" @endif><span>Keeping</span></a>
        <a href="{{ route('shelf.edit', $current) }}" @if ($at === 'shelf') aria-current="page" @endif><span>About this shelf</span></a>
        @can('manage', $current)
            <a href="{{ route('log', $current) }}" @if ($at === 'log') aria-current="page" @endif><span>Log</span></a>
        @endcan
    @endif
</nav>

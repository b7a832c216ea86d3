<nav class="side" aria-label="{{ __('views/components.shelves.shelves') }}">
    <h2>{{ __('views/components.shelves.shelves') }}</h2>
    @foreach ($shelves as $shelf)
        <a href="{{ route('shelf', $shelf) }}" @if ($current !== null && $shelf->is($current) && $at === 'items') aria-current="page" @elseif ($current !== null && $shelf->is($current)) class="is-open" @endif><span>{{ $shelf->name }}@if ($shelf->archived_at !== null) <small>{{ __('views/components.shelves.put_away') }}</small>@endif</span> <span class="side-count">{{ $shelf->items_count }}</span></a>
    @endforeach
    <a class="side-more" href="{{ route('shelf.new') }}" @if ($at === 'new') aria-current="page" @endif><span>{{ __('views/components.shelves.new_shelf') }}</span></a>
    <a href="{{ route('lost.all') }}" @if ($current === null && $at === 'lost') aria-current="page" @endif><span>{{ __('views/components.shelves.lost_found_of_all') }}</span></a>
    <a href="{{ route('milestones') }}" @if ($current === null && $at === 'milestones') aria-current="page" @endif><span>{{ __('views/components.shelves.milestones') }}</span></a>
    @if ($current !== null)
        <h2>{{ __('views/components.shelves.this_shelf') }}</h2>
        <a href="{{ route('day', $current) }}" @if ($at === 'day') aria-current="page" @endif><span>{{ __('day.title') }}</span></a>
        <a href="{{ route('people', $current) }}" @if ($at === 'people') aria-current="page" @endif><span>{{ __('views/components.shelves.people') }}</span></a>
        @can('lost', $current)<a href="{{ route('lost', $current) }}" @if ($at === 'lost') aria-current="page" @endif><span>{{ __('views/components.shelves.lost_found') }}</span></a>@endcan
        <a href="{{ route('keeping.shelf', $current) }}" @if ($at === 'keeping') aria-current="page" @endif><span>{{ __('views/components.shelves.keeping') }}</span></a>
        <a href="{{ route('shelf.edit', $current) }}" @if ($at === 'shelf') aria-current="page" @endif><span>{{ __('views/components.shelves.about_this_shelf') }}</span></a>
        @can('manage', $current)
            <a href="{{ route('log', $current) }}" @if ($at === 'log') aria-current="page" @endif><span>{{ __('views/components.shelves.log') }}</span></a>
        @endcan
    @endif
</nav>

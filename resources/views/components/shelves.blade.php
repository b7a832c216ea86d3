<nav class="side" aria-label="Shelves">
    <h2>Shelves</h2>
    @foreach ($shelves as $shelf)
        <a href="{{ route('shelf', $shelf) }}" @if ($shelf->is($current) && $at === 'items') aria-current="page" @elseif ($shelf->is($current)) class="is-open" @endif><span>{{ $shelf->name }}</span> <span class="side-count">{{ $shelf->items_count }}</span></a>
    @endforeach
    <h2>This shelf</h2>
    <a href="{{ route('people', $current) }}" @if ($at === 'people') aria-current="page" @endif><span>People</span></a>
</nav>

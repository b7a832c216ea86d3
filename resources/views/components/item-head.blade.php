@props(['item', 'at', 'newest' => null, 'editable' => false])
<section class="head" aria-label="The item">
    <x-glyph :name="$item->kind" />
    <div class="head-title">
        <nav class="head-path" aria-label="Where this is"><a href="{{ route('shelf', $item->shelf) }}">{{ $item->shelf->name }}</a> / {{ ucfirst($item->kind) }}</nav>
        @if ($editable)
            <h1 class="is-sr-only" data-title-heading>{{ $item->title }}</h1>
            <input class="head-name" value="{{ $item->title }}" maxlength="{{ config('attic.title') }}" aria-label="Title" data-title="{{ route('item.rename', $item) }}" data-grow>
        @else
            <h1 class="head-name" title="{{ $item->title }}">{{ $item->title }}</h1>
        @endif
    </div>
    <p class="head-note">{{ $slot }}</p>
    <nav class="head-tabs" aria-label="This item">
        <a href="{{ route('item', $item) }}" @if ($at === 'write') aria-current="page" @endif>@can('write', $item) Write @else Read @endcan</a>
        <a href="{{ route('history', $item) }}" @if ($at === 'history') aria-current="page" @endif>History</a>
        <a href="{{ route('people', $item->shelf) }}">People</a>
    </nav>
</section>

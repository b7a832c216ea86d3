<x-layout :title="$item->title" body="is-plain">
    <main id="main" class="door"><div class="door-sheet">
        <h1>{{ $item->title }}</h1>
        <div class="menu-page"><x-item-menu :item="$item" /></div>
        <p><a class="button has-name" href="{{ route('shelf', $item->shelf) }}">{{ __('views/menu.back_to', ['name' => $item->shelf->name]) }}</a></p>
    </div></main>
</x-layout>

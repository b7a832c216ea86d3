<x-layout :title="'Watch '.$item->title" body="is-plain">
    <main id="main" class="door"><div class="door-sheet is-wide">
        <h1>Word of “{{ $item->title }}”</h1>
        <x-watching :how="$how" :action="route('watch.item', $item)" :feed="$feed" :otherwise="'as of its shelf: '.__('watching.how.'.($shelf ?? 'none'))" />
        <p><a class="button" href="{{ route('item', $item) }}">Back to it</a></p>
    </div></main>
</x-layout>

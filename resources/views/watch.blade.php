<x-layout :title="__('views/watch.watch', ['title' => $item->title])" body="is-plain">
    <main id="main" class="door"><div class="door-sheet is-wide">
        <h1>{{ __('views/watch.word_of', ['title' => $item->title]) }}</h1>
        <x-watching :how="$how" :action="route('watch.item', $item)" :feed="$feed" :otherwise="__('views/watch.as_of_its_shelf', ['shelf' => __('watching.how.'.($shelf ?? 'none'))])" />
        <p><a class="button" href="{{ route('item', $item) }}">{{ __('views/watch.back_to_it') }}</a></p>
    </div></main>
</x-layout>

<x-layout :title="__('views/keeping-place.what_is_kept_here')">
    <div class="frame">
        <x-shelves :current="null" at="place" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>{{ __('views/keeping-place.what_is_kept_here') }}</h1><p>{{ __('views/keeping-place.shelves_and_items_may_have_rules') }}</p></div>
            <x-problems />
            <x-keeping-form :tried="$rules" :action="route('keeping.place.say')" :can="true" />
        </main>
    </div>
</x-layout>

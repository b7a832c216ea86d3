<x-layout :title="__('views/no-shelf.no_shelf_yet')" body="is-plain">
    <main id="main" class="door"><div class="door-sheet"><h1>{{ __('views/no-shelf.no_shelf_yet') }}</h1><p class="door-note">{{ __('views/no-shelf.you_are_not_on_any_shelf', ['email' => auth()->user()->email]) }}</p></div></main>
</x-layout>

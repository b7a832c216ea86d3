<x-layout :title="__('views/kinds/file.new.a_file_for', ['name' => $shelf->name])" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet is-wide">
            <h1>{{ __('views/kinds/file.new.a_file_for_name', ['name' => $shelf->name]) }}</h1>
            <p class="door-note">{{ __('views/kinds/file.new.it_is_kept_as_it_is', ['value' => __('file.nothing_runs')]) }}</p>
            <x-problems />
            @include('kinds.file.drop', ['item' => null])
            <div class="dialog-do"><a class="button" href="{{ route('shelf', $shelf) }}">{{ __('views/kinds/file.new.back_to_the_shelf') }}</a></div>
        </div>
    </main>
</x-layout>

<x-layout :title="'A file for '.$shelf->name" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet is-wide">
            <h1>A file for “{{ $shelf->name }}”</h1>
            <p class="door-note">It is kept as it is, to the byte, with every version that follows. {{ __('file.nothing_runs') }}</p>
            <x-problems />
            @include('kinds.file.drop', ['item' => null])
            <div class="dialog-do"><a class="button" href="{{ route('shelf', $shelf) }}">Back to the shelf</a></div>
        </div>
    </main>
</x-layout>

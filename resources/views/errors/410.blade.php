<x-layout title="No longer kept" body="is-plain">
    <main id="main" class="door"><div class="door-sheet"><h1>No longer kept</h1><p class="door-note">{{ $exception->getMessage() ?: "This is no longer here." }}</p><a class="button" href="/">To the shelves</a></div></main>
</x-layout>

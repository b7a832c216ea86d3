<x-layout title="Nothing here" body="is-plain">
    <main id="main" class="door"><div class="door-sheet"><h1>Nothing here</h1><p class="door-note">{{ $said ?? (str_contains($exception->getMessage(), "version") && ! str_starts_with($exception->getMessage(), "The route") ? $exception->getMessage() : "There is nothing at this address, or it is on a shelf that you are not on.") }}</p><a class="button" href="/">To the shelves</a></div></main>
</x-layout>

<x-layout title="Not for you to do" body="is-plain">
    <main id="main" class="door"><div class="door-sheet"><h1>Not for you to do</h1><p class="door-note">{{ $exception->getMessage() ?: "You may not do that here." }}</p><a class="button" href="/">To the shelves</a></div></main>
</x-layout>

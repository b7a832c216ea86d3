<x-layout title="You don’t have permission" body="is-plain">
    <main id="main" class="door"><div class="door-sheet"><h1>You don’t have permission</h1><p class="door-note">{{ $exception->getMessage() ?: "You may not do that here." }}</p><a class="button" href="/">To the shelves</a></div></main>
</x-layout>

<x-layout title="Closed for a moment" body="is-plain">
    <main id="main" class="door"><div class="door-sheet"><h1>Closed for a moment</h1><p class="door-note">{{ $said ?? "We are putting things in order and will be back in a few minutes." }}</p><a class="button" href="/">To the shelves</a></div></main>
</x-layout>

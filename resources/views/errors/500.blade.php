<x-layout title="Something went wrong" body="is-plain">
    <main id="main" class="door"><div class="door-sheet"><h1>Something went wrong</h1><p class="door-note">It is our fault, not yours. Nothing that was saved is lost. Try again in a moment.</p><a class="button" href="/">To the shelves</a></div></main>
</x-layout>

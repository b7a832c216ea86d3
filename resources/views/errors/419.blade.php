<x-layout title="This page is too old" body="is-plain">
    <main id="main" class="door"><div class="door-sheet"><h1>This page is too old</h1><p class="door-note">The page stood open for too long, or somebody else has signed in here since. Go back, load it anew and try again; nothing was changed.</p><a class="button" href="/">To the shelves</a></div></main>
</x-layout>

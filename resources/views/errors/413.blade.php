<x-layout title="This is too large" body="is-plain">
    <main id="main" class="door"><div class="door-sheet"><h1>This is too large</h1><p class="door-note">What was sent is larger than can be taken in at once; a file may be up to 10 MB. Nothing was changed.</p><a class="button" href="/">To the shelves</a></div></main>
</x-layout>

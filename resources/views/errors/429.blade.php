<x-layout title="A moment, please" body="is-plain">
    <main id="main" class="door"><div class="door-sheet"><h1>A moment, please</h1><p class="door-note">That was tried too often. Wait a minute, then try again.</p><a class="button" href="/">To the shelves</a></div></main>
</x-layout>

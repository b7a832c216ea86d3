<x-layout title="No shelf yet" body="is-plain">
    <main id="main" class="door"><div class="door-sheet"><h1>No shelf yet</h1><p class="door-note">You are not on any shelf. Somebody who owns one can put you on it: your address is {{ auth()->user()->email }}.</p></div></main>
</x-layout>

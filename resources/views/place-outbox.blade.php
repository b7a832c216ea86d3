<x-layout title="Outbox">
    <main id="main" class="listing">
        <h1>Outbox of the place</h1>
        <div class="bar-row"><a href="{{ route('home') }}">The shelves</a><span>This place sends no mail: what would have been sent to people is kept here, for whoever keeps the place.</span></div>
        <x-mails :mails="$mails" />
    </main>
</x-layout>

<x-layout :title="'Outbox of '.$item->title" body="is-item">
    <x-item-head :item="$item" at="entries" />
    <main id="main" class="listing">
        <div class="bar-row"><a href="{{ route('entries', $item) }}">The entries</a><span>This place sends no mail: what would have been sent is kept here.</span></div>
        <x-mails :mails="$mails" />
    </main>
</x-layout>

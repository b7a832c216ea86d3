<x-layout :title="__('views/outbox.outbox_of', ['title' => $item->title])" body="is-item">
    <x-item-head :item="$item" at="entries" />
    <main id="main" class="listing">
        <div class="bar-row"><a href="{{ route('entries', $item) }}">{{ __('views/outbox.the_entries') }}</a><span>{{ __('views/outbox.this_place_sends_no_mail_what') }}</span></div>
        <x-mails :mails="$mails" />
    </main>
</x-layout>

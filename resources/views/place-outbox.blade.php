<x-layout :title="__('views/place-outbox.outbox')">
    <main id="main" class="listing">
        <h1>{{ __('views/place-outbox.outbox_of_the_place') }}</h1>
        <div class="bar-row"><a href="{{ route('home') }}">{{ __('views/place-outbox.the_shelves') }}</a><span>{{ __('views/place-outbox.this_place_sends_no_mail_what') }}</span></div>
        <x-mails :mails="$mails" />
    </main>
</x-layout>

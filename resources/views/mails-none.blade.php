<x-layout :title="__('views/mails-none.no_more_mail')" body="is-plain">
    <main id="main" class="door"><div class="door-sheet">@if ($done)<h1>{{ __('views/mails-none.no_more_mail') }}</h1><p class="door-note">{{ __('views/mails-none.what_you_watch_is_no_longer') }}</p>@else<h1>{{ __('views/mails-none.no_more_mail_of_what_you') }}</h1><form method="post" action="{{ request()->getRequestUri() }}"><button class="button is-dark">{{ __('views/mails-none.no_more') }}</button></form>@endif</div></main>
</x-layout>

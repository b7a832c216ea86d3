@props(['mails'])
@forelse ($mails as $mail)
    <article class="mail"><h2>{{ $mail->subject }}</h2><p>{{ __('views/components.mails.to', ['recipient' => $mail->recipient]) }} <x-when :at="Carbon\CarbonImmutable::parse($mail->sent_at)" /></p><pre>{{ $mail->body }}</pre></article>
@empty
    <div class="empty"><p>{{ __('views/components.mails.nothing_would_have_been_sent_yet') }}</p></div>
@endforelse
@if ($mails->hasPages())<nav class="pages" aria-label="{{ __('views/components.mails.pages') }}">@if ($mails->previousPageUrl())<a class="button" href="{{ $mails->previousPageUrl() }}">{{ __('views/components.mails.before') }}</a>@endif @if ($mails->nextPageUrl())<a class="button" href="{{ $mails->nextPageUrl() }}">{{ __('views/components.mails.next') }}</a>@endif</nav>@endif

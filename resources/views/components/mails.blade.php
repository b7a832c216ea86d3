@props(['mails'])
@forelse ($mails as $mail)
    <article class="mail"><h2>{{ $mail->subject }}</h2><p>to {{ $mail->recipient }}, <x-when :at="Carbon\CarbonImmutable::parse($mail->sent_at)" /></p><pre>{{ $mail->body }}</pre></article>
@empty
    <div class="empty"><p>Nothing would have been sent yet.</p></div>
@endforelse
@if ($mails->hasPages())<nav class="pages" aria-label="Pages">@if ($mails->previousPageUrl())<a class="button" href="{{ $mails->previousPageUrl() }}">Before</a>@endif @if ($mails->nextPageUrl())<a class="button" href="{{ $mails->nextPageUrl() }}">Next</a>@endif</nav>@endif

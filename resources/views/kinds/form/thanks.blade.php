<p class="answer-thanks" role="status">{{ $thanks === '' ? 'Thank you. Your answers are with us.' : $thanks }}</p>
@if ($mine !== null)<p>You can <a href="{{ $mine }}">change your answers</a> later: keep this address, and pass it to nobody.</p>@endif
<x-typed :typed="$left ?? []" :head="__('form.left')" />
<p>This was number {{ $entry->number }}. <a href="{{ $again }}">Send another one</a></p>

<p class="answer-thanks" role="status">{{ $thanks === '' ? 'Thank you. Your answers are with us.' : $thanks }}</p>
<p>This was number {{ $entry->number }}. <a href="{{ $again }}">Send another one</a></p>

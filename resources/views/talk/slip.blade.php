@php($settled = $seen->settled())
<article id="thread-{{ $seen->thread->key }}" @class(['slip', 'by-'.$seen->comments[0]->user->colour, 'is-settled' => $settled !== null, 'is-new' => $seen->isNew()]) data-slip="{{ $seen->thread->key }}" data-of="{{ $seen->key() }}" @if ($seen->words !== null) data-words="{{ $seen->words[0] }},{{ $seen->words[1] }}" @endif aria-label="{{ $seen->comments[0]->user->firstName() }} {{ $seen->about() }}">
    @if ($settled !== null)
        <details>
            <summary><x-monogram :user="$seen->comments[0]->user" aria-hidden="true" /> <b>{{ implode(', ', array_map(fn ($person) => $person->firstName(), array_slice($seen->people(), 0, 3))) }}</b> <small>{{ __('talk.settled', ['number' => (string) $settled->number]) }}@if ($seen->inOneLine() !== ''): “{{ $seen->inOneLine() }}”@endif</small></summary>
            @include('talk.comments')
        </details>
    @else
        @include('talk.comments')
    @endif
    @if ($mayComment)
        <div class="slip-do">
            <details class="slip-answer"><summary>{{ __('talk.answer') }}</summary>
                <form method="post" action="{{ route('talk.say', [$item, $seen->thread]) }}" data-talk>@csrf<input type="hidden" name="deed" value="said"><label class="is-sr-only" for="answer-{{ $seen->thread->key }}">{{ __('talk.answer_label') }}</label><textarea class="textarea" id="answer-{{ $seen->thread->key }}" name="text" rows="2" maxlength="{{ config('attic.comment') }}" required data-focus></textarea><button class="button is-dark">{{ __('talk.say') }}</button></form>
            </details>
            @if ($settled === null)
                <details class="slip-answer"><summary>{{ __('talk.settle') }}</summary>
                    <form method="post" action="{{ route('talk.say', [$item, $seen->thread]) }}" data-talk>@csrf<input type="hidden" name="deed" value="settled"><label class="is-sr-only" for="settle-{{ $seen->thread->key }}">{{ __('talk.settle_word') }}</label><input class="input" id="settle-{{ $seen->thread->key }}" name="text" maxlength="{{ config('attic.comment') }}" placeholder="{{ __('talk.settle_word') }}" data-focus><button class="button is-dark">{{ __('talk.settle') }}</button></form>
                </details>
            @else
                <form method="post" action="{{ route('talk.say', [$item, $seen->thread]) }}" data-talk>@csrf<input type="hidden" name="deed" value="reopened"><button class="link-button">{{ __('talk.reopen') }}</button></form>
            @endif
            @isset($looks)<a href="{{ $looks($seen) }}">{{ __('talk.look') }}</a>@endisset
            @if ($seen->thread->field !== '' && $item->hasTabs())<a href="{{ route('item', [$item, 'at' => $seen->key()]) }}">{{ __('talk.go') }}</a>@endif
        </div>
    @elseif (isset($looks))
        <div class="slip-do"><a href="{{ $looks($seen) }}">{{ __('talk.look') }}</a></div>
    @endif
</article>

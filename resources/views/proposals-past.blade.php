@if ($answered->isNotEmpty())
    <details class="proposals-past" @if ($chosen === null && ($all ?? null) === null) open @endif>
        <summary>{{ trans_choice('proposing.past', $answered->count()) }}</summary>
        <ol>
            @foreach ($answered as $one)
                <li @if ($chosen?->id === $one->id) aria-current="true" @endif><x-proposer :proposal="$one" /> <a href="{{ route('proposals', ['item' => $item, 'of' => $one->id]) }}">{{ __("proposing.past_line.{$one->state->value}", ['who' => $one->name(), 'decider' => (string) $one->decider?->firstName(), 'number' => (string) $one->version?->number]) }}</a> <small><x-when :at="$one->decided_at" />@if ($one->word !== null) · “{{ $one->word }}”@endif</small></li>
            @endforeach
        </ol>
    </details>
@endif

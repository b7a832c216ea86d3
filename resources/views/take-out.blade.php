<x-layout :title="'Take out edits of '.$item->title" body="is-item">
    <main id="main" class="plan" data-plan>
        <h1>Take {{ $edits->author->firstName() }}’s edits out of “{{ $item->title }}”</h1>
        <p class="plan-lead">{{ trans_choice('history.take_out.versions', count($numbers), ['from' => $edits->from, 'to' => $edits->to]) }} What others wrote, and what {{ $edits->author->firstName() }} wrote before and after, is kept. Nothing is overwritten: this becomes version {{ $item->head + 1 }}, and {{ $item->head }} stays in the history. Untick what should stay.</p>
        @if ($mixed > 0)<p class="notice">{{ trans_choice('history.take_out.mixed', $mixed, ['count' => (string) $mixed, 'who' => $edits->author->firstName()]) }}</p>@endif
        <x-problems />
        @if (count($tabs) > 1)
            <form class="plan-which" method="get" action="{{ route('take-out', $item) }}">
                <input type="hidden" name="from" value="{{ $edits->from }}"><input type="hidden" name="to" value="{{ $edits->to }}"><input type="hidden" name="by" value="{{ $edits->author->id }}">
                <label class="label" for="which">Of which tab?</label>
                <div class="select"><select id="which" name="tab" data-submit><option value="">All of them</option>@foreach ($tabs as $id => $name)<option value="{{ $id }}" @selected($id === $edits->below)>Only “{{ $name }}”</option>@endforeach</select></div>
                <button class="button" data-submit-button>Show</button>
            </form>
        @endif
        @if ($plan === null)
            <p class="notice">{{ __('history.take_out.too_many', ['most' => App\Restoring\TakeOutEdits::MOST_RUNS]) }}</p>
        @else
            <div class="plan-columns">
                <section aria-labelledby="back"><h2 id="back">Comes back <span>{{ count($plan->comesBack) }}</span></h2><p>As it was before these edits</p>
                    <ul data-column="back">@foreach ($plan->comesBack as $at => $entry)<x-plan-line :entry="$entry" :at="$at" :item="$item" />@endforeach</ul>
                    @if ($plan->comesBack === [])<p class="plan-none">Nothing was taken away or written over.</p>@endif
                </section>
                <section aria-labelledby="away"><h2 id="away">Goes away <span>{{ count($plan->goesAway) }}</span></h2><p>{{ $item->head }} keeps it</p>
                    <ul data-column="away">@foreach ($plan->goesAway as $at => $entry)<x-plan-line :entry="$entry" :at="$at" :item="$item" />@endforeach</ul>
                    @if ($plan->goesAway === [])<p class="plan-none">Nothing that was added is there now.</p>@endif
                </section>
                <section aria-labelledby="stays"><h2 id="stays">Stays <span>{{ count($plan->stays) }}</span></h2><p>Later work rests on it, so it can not be taken out alone</p>
                    <ul>@foreach ($plan->stays as [$name, $why])<li class="plan-line">{{ $name === '' ? 'A part without words' : "“{$name}”" }} <small>{{ $why }}</small></li>@endforeach</ul>
                    @if ($plan->stays === [])<p class="plan-none">All of it can be taken out.</p>@endif
                </section>
            </div>
        @endif
    </main>
    <footer class="plan-foot">
        <a class="button" href="{{ route('history', ['item' => $item, 'from' => max(1, $edits->from), 'to' => min($edits->to, $item->head), 'by' => $edits->author->id]) }}">Cancel</a>
        @if ($plan !== null)
            <button class="button" type="button" data-tick-all hidden>Tick none</button>
            <span aria-live="polite" data-plan-count>{{ count($plan->comesBack) }} come back, {{ count($plan->goesAway) }} go away</span>
            @if ($plan->count() > 0)
                <form id="restore" method="post" action="{{ route('take-out.store', $asked) }}">@csrf<input type="hidden" name="seen" value="{{ $item->head }}"><input type="hidden" name="lines" value="{{ $plan->count() }}"> <button class="button" formaction="{{ route('take-out.seen', $asked) }}">How it will be</button><button class="button is-dark" data-restore data-some="Take these out">Take them out</button></form>
            @endif
        @endif
    </footer>
</x-layout>

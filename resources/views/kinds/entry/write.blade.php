<x-layout :title="$item->title.' of '.$item->form->title" body="is-item">
    <x-item-head :item="$item" at="write"><x-when :at="$item->changed_at" /></x-item-head>
    <main id="main" class="answering is-entry">
        <x-problems />
        @foreach ($beside as $proposal)
            @if ($proposal->id === $own?->id)
                <div class="note is-wish"><b>Your change waits for a yes</b><p>You see it below; everybody else sees the entry without it.</p><div class="wish-do"><a class="button" href="{{ route('proposal', [$item, $proposal]) }}">Look at it…</a></div></div>
            @elseif ($proposal->state === App\Models\ProposalState::Waiting)
                <div class="note is-wish"><b>{{ $proposal->user->firstName() }} proposed a change</b><p>It is not in what you see here, and what you change leaves it as it is.</p><div class="wish-do"><a @class(['button', 'is-dark' => Gate::allows('decide', [$item, $proposal])]) href="{{ route('proposal', [$item, $proposal]) }}">{{ Gate::allows('decide', [$item, $proposal]) ? 'Look and answer…' : 'Look at it…' }}</a></div></div>
            @endif
        @endforeach
        <x-kept-not :form="$item->form" />
        @if ($item->deleted_at !== null)
            <div class="answer-note" role="note"><p>{{ $item->deleter === null ? 'This entry was taken away' : "{$item->deleter->firstName()} took this entry away" }} <x-when :at="$item->deleted_at" />. All of it is kept.</p><form method="post" action="{{ route('entry.undelete', $item) }}">@csrf @method('put')<button class="button is-dark">Bring it back</button></form></div>
        @endif
        <form method="post" action="{{ route('entry.save', $item) }}" class="answer-form">
            @csrf @method('put')
            <input type="hidden" name="base" value="{{ $item->root }}">
            @if ($own !== null)<input type="hidden" name="proposal" value="{{ $own->id }}">@endif
            @foreach ($view->questions() as $question)
                @if ($question->string('type') === 'file')
                    <div class="ask"><p class="ask-label">{{ $question->richText()->text() }}</p>@isset($view->answering->files[$question->id])<p><a href="{{ route('picture', [$item->form, $view->answering->files[$question->id][0]]) }}">{{ $view->answering->files[$question->id][1] }}</a></p>@if ($view->isPicture($question->id))<img class="part-picture" src="{{ route('picture', [$item->form, $view->answering->files[$question->id][0]]) }}" alt="{{ $view->answering->files[$question->id][1] }}">@endif @else<p class="ask-help">no file</p>@endisset</div>
                @else
                    <input type="hidden" name="shown[]" value="{{ $question->id }}">
                    @include('kinds.form.ask', ['question' => $question->with('required', true), 'answering' => $view->answering, 'wrong' => null, 'name' => "a[{$question->id}]"])
                @endif
            @endforeach
            @if ($view->gone !== [])
                <section class="entry-gone" aria-labelledby="gone"><h2 id="gone">Questions that are gone</h2>
                    <dl>@foreach ($view->gone as $answer)<div><dt>{{ $answer->string('label') }}</dt><dd>{{ App\Words\Days::said(MistyAttic\Core\Kinds\Entry\AnswerText::of($answer)) }}</dd></div>@endforeach</dl>
                </section>
            @endif
            <div class="answer-do"><button class="button is-dark">Save</button><a class="button" href="{{ route('history', $item) }}">History</a></div>
        </form>
        @php($past = array_filter($beside, fn ($proposal) => $proposal->state !== App\Models\ProposalState::Waiting))
        @if ($past !== [])
            <details class="entry-gone"><summary>{{ trans_choice('agreeing.past', count($past), ['count' => (string) count($past)]) }}</summary>
                <ul>@foreach ($past as $proposal)<li><a href="{{ route('proposal', [$item, $proposal]) }}">{{ $proposal->user->firstName() }}, <x-when :at="$proposal->proposed_at" /></a>: {{ __("agreeing.told.{$proposal->state->value}", ['decider' => (string) $proposal->decider?->firstName()]) }}@if ($proposal->word) “{{ $proposal->word }}”@endif</li>@endforeach</ul>
            </details>
        @endif
        @if ($item->deleted_at === null && Gate::allows('takeAway', $item))<form class="entry-away" method="post" action="{{ route('entry.delete', $item) }}">@csrf @method('delete')<button class="button is-quiet">Take this entry away</button></form>@endif
    </main>
</x-layout>

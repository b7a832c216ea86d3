<x-layout :title="__('views/kinds/entry.write.title_of_title', ['title' => $item->title, 'form' => $item->form->title])" body="is-item">
    <x-item-head :item="$item" at="write"><x-when :at="$item->changed_at" /></x-item-head>
    <main id="main" class="answering is-entry" @can('draft', $item) data-histories="{{ route('item', $item, false) }}/parts" @endcan data-looked>
        <x-problems />
        @foreach ($beside as $proposal)
            @if ($proposal->id === $own?->id)
                <div class="note is-wish"><b>{{ __('views/kinds/entry.write.your_change_waits_for_a_yes') }}</b><p>{{ __('views/kinds/entry.write.you_see_it_below_everybody_else') }}</p><div class="wish-do"><a class="button" href="{{ route('proposal', [$item, $proposal]) }}">{{ __('views/kinds/entry.write.look_at_it') }}</a></div></div>
            @elseif ($proposal->state === App\Models\ProposalState::Waiting)
                <div class="note is-wish"><b>{{ __('views/kinds/entry.write.proposed_a_change', ['who' => $proposal->user->firstName()]) }}</b><p>{{ __('views/kinds/entry.write.it_is_not_in_what_you') }}</p><div class="wish-do"><a @class(['button', 'is-dark' => Gate::allows('decide', [$item, $proposal])]) href="{{ route('proposal', [$item, $proposal]) }}">{{ Gate::allows('decide', [$item, $proposal]) ? __('views/kinds/entry.write.look_and_answer') : __('views/kinds/entry.write.look_at_it') }}</a></div></div>
            @endif
        @endforeach
        <x-kept-not :form="$item->form" />
        @if ($item->deleted_at !== null)
            <div class="answer-note" role="note"><p>{{ $item->deleter === null ? __('views/kinds/entry.write.this_entry_was_taken_away') : __('views/kinds/entry.write.took_this_entry_away', ['who' => $item->deleter->firstName()]) }} <x-when :at="$item->deleted_at" />{{ __('views/kinds/entry.write.all_of_it_is_kept') }}</p><form method="post" action="{{ route('entry.undelete', $item) }}">@csrf @method('put')<button class="button is-dark">{{ __('views/kinds/entry.write.bring_it_back') }}</button></form></div>
        @endif
        <form method="post" action="{{ route('entry.save', $item) }}" class="answer-form" data-state>
            @csrf @method('put')
            <input type="hidden" name="base" value="{{ $item->root }}">
            @if ($own !== null)<input type="hidden" name="proposal" value="{{ $own->id }}">@endif
            @foreach ($view->questions() as $question)
                <div @if ($view->newest->has($question->id)) data-part="{{ $question->id }}" @endif>
                @if ($question->string('type') === 'file')
                    <div class="ask"><p class="ask-label">{{ $question->richText()->text() }}</p>@isset($view->answering->files[$question->id])<p><a href="{{ route('picture', [$item->form, $view->answering->files[$question->id][0]]) }}">{{ $view->answering->files[$question->id][1] }}</a></p>@if ($view->isPicture($question->id))<img class="part-picture" src="{{ route('picture', [$item->form, $view->answering->files[$question->id][0]]) }}" alt="{{ $view->answering->files[$question->id][1] }}">@endif @else<p class="ask-help">{{ __('views/kinds/entry.write.no_file') }}</p>@endisset</div>
                @else
                    <input type="hidden" name="shown[]" value="{{ $question->id }}">
                    @include('kinds.form.ask', ['question' => $question->with('required', true), 'answering' => $view->answering, 'wrong' => null, 'name' => "a[{$question->id}]"])
                @endif
                </div>
            @endforeach
            @if ($view->gone !== [])
                <section class="entry-gone" aria-labelledby="gone"><h2 id="gone">{{ __('views/kinds/entry.write.questions_that_are_gone') }}</h2>
                    <dl>@foreach ($view->gone as $answer)<div data-part="{{ $answer->id }}"><dt>{{ $answer->string('label') }}</dt><dd>{{ App\Words\Days::said(MistyAttic\Core\Kinds\Entry\AnswerText::of($answer)) }}</dd></div>@endforeach</dl>
                </section>
            @endif
            <div class="answer-do"><button class="button is-dark">{{ __('views/kinds/entry.write.save') }}</button><a class="button" href="{{ route('history', $item) }}">{{ __('views/kinds/entry.write.history') }}</a></div>
        </form>
        @if ($past !== [])
            <details class="entry-gone"><summary>{{ trans_choice('agreeing.past', count($past), ['count' => (string) count($past)]) }}</summary>
                <ul>@foreach ($past as $proposal)<li><a href="{{ route('proposal', [$item, $proposal]) }}">{{ $proposal->user->firstName() }}, <x-when :at="$proposal->proposed_at" /></a>: {{ __("agreeing.told.{$proposal->state->value}", ['decider' => (string) $proposal->decider?->firstName()]) }}@if ($proposal->word) “{{ $proposal->word }}”@endif</li>@endforeach</ul>
            </details>
        @endif
        @if ($item->deleted_at === null && Gate::allows('takeAway', $item))<form class="entry-away" method="post" action="{{ route('entry.delete', $item) }}">@csrf @method('delete')<button class="button is-quiet">{{ __('views/kinds/entry.write.take_this_entry_away') }}</button></form>@endif
        @includeWhen($slips !== null, 'talk.slips', $slips ?? [])
    </main>
</x-layout>

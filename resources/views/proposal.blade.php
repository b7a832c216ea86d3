<x-layout :title="__('views/proposal.a_change_to_title', ['title' => $item->title, 'form' => ($item->form === null ? '' : __('views/proposal.of').$item->form->title)])" body="is-item">
    <x-item-head :item="$item" at="history">{{ __('views/proposal.a_change_that', ['value' => $waits ? __('views/proposal.waits_for_a_yes') : __("agreeing.state.{$proposal->state->value}")]) }}</x-item-head>
    <main id="main" class="plan">
        <h1>{{ __('views/proposal.s_change_to', ['who' => $proposal->user->firstName(), 'title' => mb_strtolower($item->title)]) }}</h1>
        <p class="plan-lead">{{ __('views/proposal.proposed', ['waits' => $waits ? __('views/proposal.it_lies_beside_the_entry_everybody') : '']) }} <x-when :at="$proposal->proposed_at" exact />.@if (! $waits) <b>{{ __("agreeing.told.{$proposal->state->value}", ['decider' => (string) $proposal->decider?->firstName()]) }}</b>@if ($proposal->decided_at) <x-when :at="$proposal->decided_at" />@endif.@if ($proposal->word) “{{ $proposal->word }}”@endif @endif</p>
        <x-problems />
        @if ($view->rows === [])
            <p class="notice">{{ $waits ? __('views/proposal.it_changes_nothing_any_more_the') : __('views/proposal.it_changed_nothing') }}</p>
        @else
            <table class="versions is-proposal">
                <thead><tr><th>{{ __('views/proposal.question') }}</th><th>{{ $waits ? __('views/proposal.everybody_sees') : __('views/proposal.before') }}</th><th>{{ $waits ? __('views/proposal.it_would_be') : __('views/proposal.proposed_heading') }}</th></tr></thead>
                <tbody>@foreach ($view->rows as $row)
                    <tr><td>{{ $row['label'] }}</td><td>@if ($row['was'] === '')<i>{{ __('views/proposal.no_answer') }}</i>@else{{ App\Words\Days::said($row['was']) }}@endif @if ($row['meets'])<small>{{ __('views/proposal.written_since_proposed_it_a_yes', ['who' => $proposal->user->firstName()]) }}</small>@endif</td><td>@if ($row['becomes'] === '')<i>{{ __('views/proposal.no_answer') }}</i>@else<b>{{ App\Words\Days::said($row['becomes']) }}</b>@endif</td></tr>
                @endforeach</tbody>
            </table>
        @endif
        @if ($waits && Gate::allows('decide', [$item, $proposal]))
            <form class="proposal-answer" method="post" action="{{ route('proposal.answer', [$item, $proposal]) }}">
                @csrf @method('put')
                <input type="hidden" name="seen" value="{{ $item->head }}">
                <label class="label" for="word">{{ __('views/proposal.what_do_you_say_to', ['who' => $proposal->user->firstName()]) }}</label>
                <textarea class="textarea" id="word" name="word" rows="2" maxlength="{{ config('attic.note') }}">{{ old('word') }}</textarea>
                <div class="wish-do"><button class="button is-dark" name="answer" value="accepted">{{ __('views/proposal.yes') }}</button><button class="button" name="answer" value="declined">{{ __('views/proposal.not_yet') }}</button></div>
                <p class="door-note">{{ __('views/proposal.with_a_yes_it_becomes_version', ['head' => $item->head + 1, 'who' => $proposal->user->firstName()]) }}</p>
            </form>
        @elseif ($waits)
            <p class="door-note">{{ __('views/proposal.it_waits_for_the_yes_of', ['name' => $item->shelf->name]) }}</p>
        @endif
        @if ($isOwn && $waits)
            <div class="wish-do"><a class="button" href="{{ route('item', $item) }}">{{ __('views/proposal.go_on_with_it') }}</a><form method="post" action="{{ route('proposal.answer', [$item, $proposal]) }}">@csrf @method('put')<input type="hidden" name="seen" value="{{ $item->head }}"><button class="button is-quiet" name="answer" value="withdrawn">{{ __('views/proposal.take_it_back') }}</button></form></div>
        @elseif ($isOwn && $proposal->state !== App\Models\ProposalState::Accepted && $item->deleted_at === null && $item->shelf->wantsYesOf(auth()->user(), $item))
            <div class="wish-do"><form method="post" action="{{ route('proposal.again', [$item, $proposal]) }}">@csrf<button class="button">{{ __('views/proposal.propose_it_again') }}</button></form><a class="button is-quiet" href="{{ route('item', $item) }}">{{ __('views/proposal.back_to_the_entry') }}</a></div>
        @else
            <div class="wish-do"><a class="button is-quiet" href="{{ route('item', $item) }}">{{ __('views/proposal.back_to_the_entry') }}</a></div>
        @endif
    </main>
</x-layout>

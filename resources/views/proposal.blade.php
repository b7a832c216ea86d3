@php($proposal = $view->proposal)
@php($waits = $proposal->state === App\Models\ProposalState::Waiting)
<x-layout :title="'A change to '.$item->title.($item->form === null ? '' : ' of '.$item->form->title)" body="is-item">
    <x-item-head :item="$item" at="history">a change that {{ $waits ? 'waits for a yes' : __("agreeing.state.{$proposal->state->value}") }}</x-item-head>
    <main id="main" class="plan">
        <h1>{{ $proposal->user->firstName() }}’s change to {{ mb_strtolower($item->title) }}</h1>
        <p class="plan-lead">{{ $waits ? 'It lies beside the entry: everybody sees the entry without it until somebody says yes.' : '' }} Proposed <x-when :at="$proposal->proposed_at" exact />.@if (! $waits) <b>{{ __("agreeing.told.{$proposal->state->value}", ['decider' => (string) $proposal->decider?->firstName()]) }}</b>@if ($proposal->decided_at) <x-when :at="$proposal->decided_at" />@endif.@if ($proposal->word) “{{ $proposal->word }}”@endif @endif</p>
        <x-problems />
        @if ($view->rows === [])
            <p class="notice">{{ $waits ? 'It changes nothing any more: the entry says so already.' : 'It changed nothing.' }}</p>
        @else
            <table class="versions is-proposal">
                <thead><tr><th>Question</th><th>{{ $waits ? 'Everybody sees' : 'Before' }}</th><th>{{ $waits ? 'It would be' : 'Proposed' }}</th></tr></thead>
                <tbody>@foreach ($view->rows as $row)
                    <tr><td>{{ $row['label'] }}</td><td>@if ($row['was'] === '')<i>no answer</i>@else{{ App\Words\Days::said($row['was']) }}@endif @if ($row['meets'])<small>written since {{ $proposal->user->firstName() }} proposed it: a yes takes its place</small>@endif</td><td>@if ($row['becomes'] === '')<i>no answer</i>@else<b>{{ App\Words\Days::said($row['becomes']) }}</b>@endif</td></tr>
                @endforeach</tbody>
            </table>
        @endif
        @if ($waits && Gate::allows('decide', [$item, $proposal]))
            <form class="proposal-answer" method="post" action="{{ route('proposal.answer', [$item, $proposal]) }}">
                @csrf @method('put')
                <input type="hidden" name="seen" value="{{ $item->head }}">
                <label class="label" for="word">What do you say to {{ $proposal->user->firstName() }}?</label>
                <textarea class="textarea" id="word" name="word" rows="2" maxlength="{{ config('attic.note') }}">{{ old('word') }}</textarea>
                <div class="wish-do"><button class="button is-dark" name="answer" value="accepted">Yes</button><button class="button" name="answer" value="declined">Not yet</button></div>
                <p class="door-note">With a yes it becomes version {{ $item->head + 1 }}, under {{ $proposal->user->firstName() }}’s name, and everybody sees it.</p>
            </form>
        @elseif ($waits)
            <p class="door-note">It waits for the yes of somebody who may give it on “{{ $item->shelf->name }}”.</p>
        @endif
        @if ($isOwn && $waits)
            <div class="wish-do"><a class="button" href="{{ route('item', $item) }}">Go on with it</a><form method="post" action="{{ route('proposal.answer', [$item, $proposal]) }}">@csrf @method('put')<input type="hidden" name="seen" value="{{ $item->head }}"><button class="button is-quiet" name="answer" value="withdrawn">Take it back</button></form></div>
        @elseif ($isOwn && $proposal->state !== App\Models\ProposalState::Accepted && $item->deleted_at === null && $item->shelf->wantsYesOf(auth()->user(), $item))
            <div class="wish-do"><form method="post" action="{{ route('proposal.again', [$item, $proposal]) }}">@csrf<button class="button">Propose it again</button></form><a class="button is-quiet" href="{{ route('item', $item) }}">Back to the entry</a></div>
        @else
            <div class="wish-do"><a class="button is-quiet" href="{{ route('item', $item) }}">Back to the entry</a></div>
        @endif
    </main>
</x-layout>

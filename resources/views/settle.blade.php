<x-layout :title="'Settle an edit in '.$item->title" body="is-plain">
    <main id="main" class="plan is-settle">
        <h1>Settle it</h1>
        <p class="plan-lead">In “{{ $item->title }}”@if ($view->cell !== null), {{ $view->cell }},@elseif ($held->place !== ''), {{ $past::STANDS }} “{{ $held->place }}”,@else,@endif {{ $own ? 'your edit' : 'an edit of '.$held->user->firstName().'’s' }} met {{ $view::whose($held) }}. That was first and stands; this one was held back <x-when :at="$held->created_at" />.</p>
        <x-problems />
        <div class="settle-sides">
            <section class="settle-side" aria-labelledby="mine"><h2 id="mine">{{ $own ? 'Yours' : $held->user->firstName().'’s' }}</h2>
                @if ($view->conflict->type === MistyAttic\Core\Merge\ConflictType::RemovedEdited)<p>{{ $own ? 'You' : $held->user->firstName() }} took this part out.</p>
                @elseif ($view->conflict->type === MistyAttic\Core\Merge\ConflictType::Moved)<p>{{ $own ? 'You' : $held->user->firstName() }} moved this part somewhere else.</p>
                @endif
                @if ($view->setting !== null)<p class="settle-setting">{{ $view->setting }}</p>@endif
                @if ($view->pictures[0] !== '')<img class="part-picture" src="{{ route('picture', [$item, $view->pictures[0]]) }}" alt="The picture that was held back">@endif
                <p class="settle-text">{{ $view->mine }}</p>
            </section>
            <section class="settle-side" aria-labelledby="theirs"><h2 id="theirs">{{ $held->met === null ? __('history.met_side_other') : __('history.met_side', ['name' => $held->met->firstName()]) }}</h2>
                @if ($view->conflict->type === MistyAttic\Core\Merge\ConflictType::EditedRemoved)<p>They took this part out.</p>@endif
                @if ($view->setting !== null)<p class="settle-setting">{{ $view->setting }}</p>@endif
                @if ($view->pictures[1] !== '')<img class="part-picture" src="{{ route('picture', [$item, $view->pictures[1]]) }}" alt="Their picture">@endif
                <p class="settle-text">{{ $view->theirs }}</p>
            </section>
        </div>
        <form class="settle-do" method="post" action="{{ route('held.settle', [$item, $held]) }}">
            @csrf @method('put')
            <button class="button is-dark" name="choice" value="mine">{{ $own ? 'Take mine' : 'Take '.$held->user->firstName().'’s' }}</button>
            <button class="button" name="choice" value="theirs">{{ $held->met === null ? 'Keep the other' : 'Keep theirs' }}</button>
            @if (in_array(MistyAttic\Core\Merge\Choice::Both, $view->choices, true))
                <button class="button" name="choice" value="both">Both, theirs first</button>
            @endif
            <a class="button" href="{{ route('item', $item) }}">Later</a>
        </form>
        @if (in_array(MistyAttic\Core\Merge\Choice::Third, $view->choices, true))
            <form class="settle-third" method="post" action="{{ route('held.settle', [$item, $held]) }}">
                @csrf @method('put')
                <label class="label" for="third">Or write a third</label>
                <textarea class="textarea" id="third" name="third" rows="3" maxlength="20000">{{ old('third', $view->third()) }}</textarea>
                <button class="button" name="choice" value="third">Put this there instead</button>
            </form>
        @endif
    </main>
</x-layout>

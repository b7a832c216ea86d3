<x-layout :title="__('views/settle.settle_an_edit_in', ['title' => $item->title])" body="is-plain">
    <main id="main" class="plan is-settle">
        <h1>{{ __('views/settle.settle_it') }}</h1>
        <p class="plan-lead">{{ __('views/settle.in', ['title' => $item->title]) }}@if ($view->cell !== null), {{ $view->cell }},@elseif ($held->place !== ''), {{ $past::STANDS }} “{{ $held->place }}”,@else,@endif {{ __('views/settle.met_that_was_first_and_is', ['who' => $own ? __('views/settle.your_edit') : __('views/settle.an_edit_of').$held->user->firstName().'’s', 'held' => $view::whose($held)]) }} <x-when :at="$held->created_at" />.</p>
        <x-problems />
        <div class="settle-sides">
            <section class="settle-side" aria-labelledby="mine"><h2 id="mine">{{ $own ? __('views/settle.yours') : $held->user->firstName().'’s' }}</h2>
                @if ($view->conflict->type === MistyAttic\Core\Merge\ConflictType::RemovedEdited)<p>{{ __('views/settle.took_this_part_out', ['who' => $own ? __('views/settle.you') : $held->user->firstName()]) }}</p>
                @elseif ($view->conflict->type === MistyAttic\Core\Merge\ConflictType::Moved)<p>{{ __('views/settle.moved_this_part_somewhere_else', ['who' => $own ? __('views/settle.you') : $held->user->firstName()]) }}</p>
                @endif
                @if ($view->setting !== null)<p class="settle-setting">{{ $view->setting }}</p>@endif
                @if ($view->pictures[0] !== '')<img class="part-picture" src="{{ route('picture', [$item, $view->pictures[0]]) }}" alt="{{ __('views/settle.the_picture_that_was_held_back') }}">@endif
                <p class="settle-text">{{ $view->mine }}</p>
            </section>
            <section class="settle-side" aria-labelledby="theirs"><h2 id="theirs">{{ $held->met === null ? __('history.met_side_other') : __('history.met_side', ['name' => $held->met->firstName()]) }}</h2>
                @if ($view->conflict->type === MistyAttic\Core\Merge\ConflictType::EditedRemoved)<p>{{ __('views/settle.they_took_this_part_out') }}</p>@endif
                @if ($view->setting !== null)<p class="settle-setting">{{ $view->setting }}</p>@endif
                @if ($view->pictures[1] !== '')<img class="part-picture" src="{{ route('picture', [$item, $view->pictures[1]]) }}" alt="{{ __('views/settle.their_picture') }}">@endif
                <p class="settle-text">{{ $view->theirs }}</p>
            </section>
        </div>
        <form class="settle-do" method="post" action="{{ route('held.settle', [$item, $held]) }}">
            @csrf @method('put')
            <button class="button is-dark" name="choice" value="mine">{{ $own ? __('views/settle.take_mine') : __('views/settle.take').$held->user->firstName().'’s' }}</button>
            <button class="button" name="choice" value="theirs">{{ $held->met === null ? __('views/settle.keep_the_other') : __('views/settle.keep_theirs') }}</button>
            @if (in_array(MistyAttic\Core\Merge\Choice::Both, $view->choices, true))
                <button class="button" name="choice" value="both">{{ __('views/settle.both_theirs_first') }}</button>
            @endif
            <a class="button" href="{{ route('item', $item) }}">{{ __('views/settle.later') }}</a>
        </form>
        @if (in_array(MistyAttic\Core\Merge\Choice::Third, $view->choices, true))
            <form class="settle-third" method="post" action="{{ route('held.settle', [$item, $held]) }}">
                @csrf @method('put')
                <label class="label" for="third">{{ __('views/settle.or_write_a_third') }}</label>
                <textarea class="textarea" id="third" name="third" rows="3" maxlength="20000">{{ old('third', $view->third()) }}</textarea>
                <button class="button" name="choice" value="third">{{ __('views/settle.put_this_there_instead') }}</button>
            </form>
        @endif
    </main>
</x-layout>

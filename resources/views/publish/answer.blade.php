<div class="note is-wish">
    @foreach ($steps as $step)<p>{{ $step }}</p>@endforeach
    <small>{{ __('views/publish.answer.asked') }} <x-when :at="$wish->asked_at" />@if ($wish->decided_at){{ __('views/publish.answer.answered') }} <x-when :at="$wish->decided_at" />@endif</small>
</div>
@if ($wish->state === App\Models\PublishingState::Waiting)
    @if ($mayPublish)
        <form method="post" action="{{ route('wish.answer', [$plan->item, $wish]) }}">
            @csrf @method('put')
            <label class="label" for="note">{{ __('views/publish.answer.what_do_you_say_to', ['who' => $wish->user->firstName()]) }}</label>
            <textarea class="textarea" id="note" name="note" rows="2" maxlength="{{ config('attic.note') }}">{{ old('note') }}</textarea>
            <div class="wish-do"><button class="button is-dark" name="answer" value="published">{{ __('views/publish.answer.yes_publish', ['number' => $plan->version->number]) }}</button><button class="button" name="answer" value="refused">{{ __('views/publish.answer.not_yet') }}</button></div>
        </form>
        @if (Gate::allows('write', $plan->item))<p class="door-note">{{ __('views/publish.answer.or') }} <a href="{{ route('item', $plan->item) }}">{{ __('views/publish.answer.edit_it_first') }}</a>@if ($plan->newer > 0){{ __('views/publish.answer.comma_or') }} <a href="{{ route('publish', [$plan->item, $plan->item->head]) }}">{{ __('views/publish.answer.look_at_the_newest_draft', ['head' => $plan->item->head]) }}</a>@endif{{ __('views/publish.answer.publishing_another_version_answers') }}</p>@endif
    @else
        <p class="door-note">{{ __('views/publish.answer.it_waits_for_the_yes_of', ['name' => $plan->item->shelf->name]) }}</p>
    @endif
    @if ($wish->user_id === auth()->id())
        <form method="post" action="{{ route('wish.answer', [$plan->item, $wish]) }}">@csrf @method('put')<button class="button is-quiet" name="answer" value="withdrawn">{{ __('views/publish.answer.take_the_wish_back') }}</button></form>
    @endif
@elseif ($wish->state === App\Models\PublishingState::Refused)
    @if (Gate::allows('write', $plan->item))<p class="door-note"><a href="{{ route('item', $plan->item) }}">{{ __('views/publish.answer.go_on_writing') }}</a>{{ __('views/publish.answer.and_ask_again_when_it_is') }}</p>@endif
@endif

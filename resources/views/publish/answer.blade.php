<div class="note is-wish">
    @foreach ($steps as $step)<p>{{ $step }}</p>@endforeach
    <small>asked <x-when :at="$wish->asked_at" />@if ($wish->decided_at), answered <x-when :at="$wish->decided_at" />@endif</small>
</div>
@if ($wish->state === App\Models\PublishingState::Waiting)
    @if ($mayPublish)
        <form method="post" action="{{ route('wish.answer', [$plan->item, $wish]) }}">
            @csrf @method('put')
            <label class="label" for="note">What do you say to {{ $wish->user->firstName() }}?</label>
            <textarea class="textarea" id="note" name="note" rows="2" maxlength="{{ config('attic.note') }}">{{ old('note') }}</textarea>
            <div class="wish-do"><button class="button is-dark" name="answer" value="published">Yes, publish {{ $plan->version->number }}</button><button class="button" name="answer" value="refused">Not yet</button></div>
        </form>
        @if (Gate::allows('write', $plan->item))<p class="door-note">Or <a href="{{ route('item', $plan->item) }}">edit it first</a>@if ($plan->newer > 0), or <a href="{{ route('publish', [$plan->item, $plan->item->head]) }}">look at the newest draft, {{ $plan->item->head }}</a>@endif: publishing another version answers the wish as well.</p>@endif
    @else
        <p class="door-note">It waits for the yes of somebody who may publish on “{{ $plan->item->shelf->name }}”.</p>
    @endif
    @if ($wish->user_id === auth()->id())
        <form method="post" action="{{ route('wish.answer', [$plan->item, $wish]) }}">@csrf @method('put')<button class="button is-quiet" name="answer" value="withdrawn">Take the wish back</button></form>
    @endif
@elseif ($wish->state === App\Models\PublishingState::Refused)
    @if (Gate::allows('write', $plan->item))<p class="door-note"><a href="{{ route('item', $plan->item) }}">Go on writing</a>, and ask again when it is ready.</p>@endif
@endif

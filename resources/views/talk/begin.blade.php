<form class="slip slip-begin by-{{ auth()->user()?->colour }}" method="post" action="{{ route('talk.begin', $item) }}" data-talk-begin>
    @csrf
    @foreach (['part', 'field', 'version', 'from', 'to', 'quote'] as $name)<input type="hidden" name="{{ $name }}" value="{{ $asked[$name] ?? '' }}">@endforeach
    @foreach ($asked['also'] ?? [] as $also)<input type="hidden" name="also[]" value="{{ $also }}">@endforeach
    <label for="comment-text" data-talk-about>{{ __('talk.comment_on', ['what' => $about]) }}</label>
    <textarea class="textarea" id="comment-text" name="text" rows="3" maxlength="{{ config('attic.comment') }}" required @if ($focus ?? false) autofocus @endif>{{ old('text') }}</textarea>
    <fieldset class="slip-spot" data-talk-spot hidden disabled>
        <legend>{{ __('talk.spot') }}</legend>
        <label>{{ __('talk.across') }} <input type="range" name="across" min="0" max="100" step="1" value="50"></label>
        <label>{{ __('talk.down') }} <input type="range" name="down" min="0" max="100" step="1" value="50"></label>
        <label><input type="checkbox" data-talk-whole> {{ __('talk.no_spot') }}</label>
    </fieldset>
    <p class="slip-do"><button class="button is-dark">{{ __('talk.say') }}</button> <button class="button" type="button" data-talk-cancel hidden>{{ __('talk.cancel') }}</button> <small>{{ __('talk.call') }}</small></p>
</form>

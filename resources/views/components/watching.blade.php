@props(['how', 'action', 'feed', 'otherwise' => null])
<form method="post" action="{{ $action }}">
    @csrf @method('put')
    <div class="field"><label class="label" for="how">By mail, once a day</label><div class="select"><select id="how" name="how">
        <option value="">{{ $otherwise ?? 'nothing' }}</option>
        @foreach (App\Watching\Watch::HOW as $each)@if ($each !== 'none' || $otherwise !== null)<option value="{{ $each }}" @selected($how === $each)>{{ __("watching.how.{$each}") }}</option>@endif @endforeach
    </select></div></div>
    <button class="button">Save</button>
</form>
@if ($feed === null)<p class="door-note">Programs can follow it, too: make a key for them in <a href="{{ route('account') }}">your account</a>.</p>
@else<div class="field"><label class="label" for="feed">For programs (Atom); whoever has this address sees what you see</label><input class="input" id="feed" readonly value="{{ $feed }}" data-select></div>@endif

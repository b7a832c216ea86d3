@props(['how', 'action', 'feed', 'otherwise' => null])
<form method="post" action="{{ $action }}">
    @csrf @method('put')
    <div class="field"><label class="label" for="how">{{ __('views/components.watching.by_mail_once_a_day') }}</label><div class="select"><select id="how" name="how">
        <option value="">{{ $otherwise ?? 'nothing' }}</option>
        @foreach (App\Watching\Watch::HOW as $each)@if ($each !== 'none' || $otherwise !== null)<option value="{{ $each }}" @selected($how === $each)>{{ __("watching.how.{$each}") }}</option>@endif @endforeach
    </select></div></div>
    <button class="button">{{ __('views/components.watching.save') }}</button>
</form>
@if ($feed === null)<p class="door-note">{{ __('views/components.watching.programs_can_follow_it_too_make') }} <a href="{{ route('account') }}">{{ __('views/components.watching.your_account') }}</a>.</p>
@else<div class="field"><label class="label" for="feed">{{ __('views/components.watching.for_programs_atom_whoever_has_this') }}</label><input class="input" id="feed" readonly value="{{ $feed }}" data-select></div>@endif

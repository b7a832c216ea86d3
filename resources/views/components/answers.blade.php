@props(['keys', 'decides', 'own', 'edits' => false, 'form' => null])
@if ($decides || $own)
    <span class="entry-answer">
        @if ($decides)<button class="as-link" name="do" value="accepted {{ $keys }}" @if ($form) form="{{ $form }}" @endif>{{ __('proposing.accept') }}</button>@endif
        @if ($decides && $edits)<button class="as-link is-beside" name="do" value="edited {{ $keys }}">{{ __('proposing.edit') }}</button>@endif
        @if ($decides && ! $own)<button class="as-link" name="do" value="declined {{ $keys }}" @if ($form) form="{{ $form }}" @endif>{{ __('proposing.decline') }}</button>@endif
        @if ($own)<button class="as-link" name="do" value="withdrawn {{ $keys }}" @if ($form) form="{{ $form }}" @endif>{{ __('proposing.withdraw') }}</button>@endif
    </span>
@endif

<p class="is-sr-only" role="status" data-save-spoken></p>
<p class="foot-saved" data-save-line data-number="{{ $newest->number }}">Saved <x-when :at="$newest->saved_at" /> as {{ $newest->number }}</p>
<p class="foot-last" title="{{ $sentence }}" @if ($suggested !== null) data-suggested="{{ $suggested }}" @endif>{{ $newest->user->firstName() }}: {{ $sentence }}, <x-when :at="$newest->saved_at" /></p>
<form class="foot-note" data-note-form hidden><input class="input" maxlength="{{ config('attic.note') }}" placeholder="A note on it, if you like (Tab)" aria-label="A note on this version"><button class="button">Keep the note</button><button class="button" data-mark="{{ route('milestone.mark', [$item, 0], false) }}">As a milestone</button><button class="button foot-suggested" type="button" data-suggest hidden>{{ __('history.call_it') }} <b></b></button></form>
<canvas class="foot-ribbon" data-small-ribbon="{{ json_encode($ribbon) }}" role="img" aria-label="The last versions, by editor"></canvas>
<a class="button" href="{{ route('history', $item) }}" data-look-back>Look back</a>

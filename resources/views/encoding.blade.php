<x-layout title="How is this file written?" body="is-plain">
    <main id="main" class="door">
        <form class="door-sheet is-wide" method="post" action="{{ $action }}" data-slow="Reading…">
            @csrf<input type="hidden" name="kept" value="{{ $kept }}">
            @foreach (Arr::except($sent, 'encoding') as $field => $value)<input type="hidden" name="{{ $field }}" value="{{ $value }}">@endforeach
            <h1>How is “{{ $name }}” written?</h1>
            <p class="door-note">It does not say how its letters stand in its bytes. Choose the line that reads rightly. Nothing is made yet.</p>
            <x-problems />
            @if ($readings === [])
                <p class="notice">It can be read in no way that is known here. Save it as UTF-8, and try again.</p>
                <div class="dialog-do"><a class="button" href="{{ url()->previous() }}">Back</a></div>
            @else
                <fieldset class="data-ways"><legend class="is-sr-only">Its letters</legend>
                    @foreach ($readings as $encoding => $words)<label class="radio"><input type="radio" name="encoding" value="{{ $encoding }}" @checked($loop->first)> <span><b>{{ Str::limit($words, 120) }}</b><br><small>{{ __("item.encodings.{$encoding}") }}</small></span></label>@endforeach
                </fieldset>
                <div class="dialog-do"><a class="button" href="{{ url()->previous() }}">Not this file</a><button class="button is-dark">Read it so</button></div>
            @endif
        </form>
    </main>
</x-layout>

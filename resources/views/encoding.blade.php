<x-layout :title="__('views/encoding.how_is_this_file_written')" body="is-plain">
    <main id="main" class="door">
        <form class="door-sheet is-wide" method="post" action="{{ $action }}" data-slow="{{ __('views/encoding.reading') }}">
            @csrf<input type="hidden" name="kept" value="{{ $kept }}">
            @foreach (Arr::except($sent, 'encoding') as $field => $value)<input type="hidden" name="{{ $field }}" value="{{ $value }}">@endforeach
            <h1>{{ __('views/encoding.how_is_written', ['name' => $name]) }}</h1>
            <p class="door-note">{{ __('views/encoding.it_does_not_say_how_its') }}</p>
            <x-problems />
            @if ($readings === [])
                <p class="notice">{{ __('views/encoding.it_can_be_read_in_no') }}</p>
                <div class="dialog-do"><a class="button" href="{{ url()->previous() }}">{{ __('views/encoding.back') }}</a></div>
            @else
                <fieldset class="data-ways"><legend class="is-sr-only">{{ __('views/encoding.its_letters') }}</legend>
                    @foreach ($readings as $encoding => $words)<label class="radio"><input type="radio" name="encoding" value="{{ $encoding }}" @checked($loop->first)> <span><b>{{ Str::limit($words, 120) }}</b><br><small>{{ __("item.encodings.{$encoding}") }}</small></span></label>@endforeach
                </fieldset>
                <div class="dialog-do"><a class="button" href="{{ url()->previous() }}">{{ __('views/encoding.not_this_file') }}</a><button class="button is-dark">{{ __('views/encoding.read_it_so') }}</button></div>
            @endif
        </form>
    </main>
</x-layout>

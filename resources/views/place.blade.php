<x-layout :title="__('views/place.where_to_bring_it_back_in', ['title' => $item->title])" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet is-wide">
            <h1>{{ __('views/place.where_should_it_go') }}</h1>
            <p class="door-note">{{ __('views/place.stood_in_a_column_that_is', ['name' => $name === '' ? __('views/place.this_block') : "“{$name}”", 'head' => $item->head + 1]) }}</p>
            <x-problems />
            <form method="post" action="{{ route('part.restore', [$item, $part, $version->number]) }}">
                @csrf
                <input type="hidden" name="seen" value="{{ $item->head }}">
                <fieldset class="places"><legend class="label">{{ __('views/place.where_it_stood') }}</legend>
                    <label><input type="radio" name="into" value="{{ $own }}" checked autofocus> {{ __('views/place.with_its_column_as_in', ['own_section' => $ownSection === '' ? '' : __('views/place.in', ['own_section' => $ownSection]), 'number' => $version->number]) }}</label>
                </fieldset>
                @foreach ($places->sections as $place)
                    <fieldset class="places"><legend class="label">{{ $place['section'] === '' ? __('views/place.a_section_without_a_title') : $place['section'] }}</legend>
                        @foreach ($place['columns'] as $column => $label)<label><input type="radio" name="into" value="{{ $column }}"> {{ $label }}</label>@endforeach
                    </fieldset>
                @endforeach
                <div class="dialog-do"><a class="button" href="{{ route('part', [$item, $part]) }}">{{ __('views/place.cancel') }}</a><button class="button is-dark">{{ __('views/place.bring_it_back') }}</button></div>
            </form>
        </div>
    </main>
</x-layout>

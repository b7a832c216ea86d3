<x-layout :title="__('views/left-out.what_would_be_left_out')" body="is-plain">
    <main id="main" class="door">
        <form class="door-sheet is-wide data-hangs" method="post" action="{{ $action }}" data-slow="{{ __('views/left-out.reading') }}">
            @csrf<input type="hidden" name="kept" value="{{ $kept }}"><input type="hidden" name="sure" value="1">
            @foreach (Arr::except($sent, 'sure') as $field => $value)<input type="hidden" name="{{ $field }}" value="{{ $value }}">@endforeach
            <h1>{{ __('views/left-out.not_all_of_comes_in', ['name' => $name]) }}</h1>
            <p class="door-note">{{ __('views/left-out.nothing_is_made_yet_the_rest') }}</p>
            <x-problems />
            <ul>@foreach ($left as $line)<li>{{ mb_ucfirst($line) }}</li>@endforeach</ul>
            <div class="dialog-do"><a class="button" href="{{ url()->previous() }}">{{ __('views/left-out.not_this_file') }}</a><button class="button is-dark">{{ __('views/left-out.bring_in_the_rest') }}</button></div>
        </form>
    </main>
</x-layout>

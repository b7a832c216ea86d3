<x-layout :title="__('views/shelf-about.about', ['name' => $shelf->name])">
    <div class="frame">
        <x-shelves :current="$shelf" at="shelf" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>{{ __('views/shelf-about.about_name', ['name' => $shelf->name]) }}</h1></div>
            <x-problems />
            <div class="two">
                @can('manage', $shelf)
                    <form class="panel" method="post" action="{{ route('shelf.update', $shelf) }}">
                        @csrf @method('put')
                        <h2>{{ __('views/shelf-about.name_and_purpose') }}</h2>
                        <div class="field"><label class="label" for="name">{{ __('views/shelf-about.what_is_it_called') }}</label><input class="input" id="name" name="name" value="{{ old('name', $shelf->name) }}" maxlength="80" required></div>
                        <div class="field"><label class="label" for="about">{{ __('views/shelf-about.what_is_it_for') }}</label><textarea class="textarea" id="about" name="about" maxlength="500" rows="3">{{ old('about', $shelf->about) }}</textarea></div>
                        <h2>{{ __('views/shelf-about.lost_found') }}</h2>
                        <div class="field"><label class="label" for="lost_days">{{ __('views/shelf-about.what_was_deleted_goes_for_good') }}</label><input class="input is-short" id="lost_days" name="lost_days" type="number" min="1" max="3650" value="{{ old('lost_days', $shelf->lost_days) }}"></div>
                        <button class="button is-dark">{{ __('views/shelf-about.save') }}</button>
                    </form>
                @else
                    <section class="panel"><h2>{{ __('views/shelf-about.what_it_is_for') }}</h2><p>{{ $shelf->about === '' ? __('views/shelf-about.nobody_said_so_yet') : $shelf->about }}</p></section>
                @endcan
                <div>
                    <section class="panel">
                        <h2>{{ __('views/shelf-about.word_of_it') }}</h2>
                        <x-watching :how="$how" :action="route('watch.shelf', $shelf)" :feed="auth()->user()->feed_key === null ? null : route('feed.shelf', [auth()->user()->feed_key, $shelf])" />
                    </section>
                    <section class="panel">
                        <h2>{{ __('views/shelf-about.in_your_list') }}</h2>
                        <p class="door-note">{{ __('views/shelf-about.where_it_is_among_your_shelves') }}</p>
                        <form method="post" action="{{ route('shelf.order', $shelf) }}">@csrf @method('put')<button class="button" name="up" value="1">{{ __('views/shelf-about.higher') }}</button> <button class="button" name="up" value="0">{{ __('views/shelf-about.lower') }}</button></form>
                    </section>
                    @can('manage', $shelf)
                        <section class="panel">
                            <h2>{{ $shelf->archived_at === null ? __('views/shelf-about.put_it_away') : __('views/shelf-about.it_is_put_away') }}</h2>
                            <p class="door-note">{{ $shelf->archived_at === null ? __('views/shelf-about.then_all_of_it_stays_and') : __('views/shelf-about.what_is_on_it_is_looked') }}</p>
                            <form method="post" action="{{ route('shelf.archive', $shelf) }}">@csrf @method('put')<button class="button" name="away" value="{{ $shelf->archived_at === null ? '1' : '0' }}">{{ $shelf->archived_at === null ? __('views/shelf-about.put_it_away') : __('views/shelf-about.take_it_up_again') }}</button></form>
                        </section>
                        <section class="panel">
                            <h2>{{ __('views/shelf-about.delete_it') }}</h2>
                            <p class="door-note">{{ __('views/shelf-about.it_goes_to_lost_found_with') }}</p>
                            <a class="button" href="{{ route('shelf.delete', $shelf) }}">{{ __('views/shelf-about.delete_this_shelf') }}</a>
                        </section>
                    @endcan
                </div>
            </div>
        </main>
    </div>
</x-layout>

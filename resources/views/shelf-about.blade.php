<x-layout :title="'About '.$shelf->name">
    <div class="frame">
        <x-shelves :current="$shelf" at="shelf" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>About “{{ $shelf->name }}”</h1></div>
            <x-problems />
            <div class="two">
                @can('manage', $shelf)
                    <form class="panel" method="post" action="{{ route('shelf.update', $shelf) }}">
                        @csrf @method('put')
                        <h2>Name and purpose</h2>
                        <div class="field"><label class="label" for="name">What is it called?</label><input class="input" id="name" name="name" value="{{ old('name', $shelf->name) }}" maxlength="80" required></div>
                        <div class="field"><label class="label" for="about">What is it for?</label><textarea class="textarea" id="about" name="about" maxlength="500" rows="3">{{ old('about', $shelf->about) }}</textarea></div>
                        <h2>Lost &amp; found</h2>
                        <div class="field"><label class="label" for="lost_days">What was deleted goes for good after so many days. Left open, it never does.</label><input class="input is-short" id="lost_days" name="lost_days" type="number" min="1" max="3650" value="{{ old('lost_days', $shelf->lost_days) }}"></div>
                        <button class="button is-dark">Save</button>
                    </form>
                @else
                    <section class="panel"><h2>What it is for</h2><p>{{ $shelf->about === '' ? 'Nobody said so yet.' : $shelf->about }}</p></section>
                @endcan
                <div>
                    <section class="panel">
                        <h2>Word of it</h2>
                        <x-watching :how="$how" :action="route('watch.shelf', $shelf)" :feed="auth()->user()->feed_key === null ? null : route('feed.shelf', [auth()->user()->feed_key, $shelf])" />
                    </section>
                    <section class="panel">
                        <h2>In your list</h2>
                        <p class="door-note">Where it stands among your shelves; nobody else’s list changes.</p>
                        <form method="post" action="{{ route('shelf.order', $shelf) }}">@csrf @method('put')<button class="button" name="up" value="1">Higher</button> <button class="button" name="up" value="0">Lower</button></form>
                    </section>
                    @can('manage', $shelf)
                        <section class="panel">
                            <h2>{{ $shelf->archived_at === null ? 'Put it away' : 'It is put away' }}</h2>
                            <p class="door-note">{{ $shelf->archived_at === null ? 'Then all of it stays and can be looked at, copied out and read by the public; nothing on it is changed until an owner takes it up again.' : 'What is on it is looked at, and not changed.' }}</p>
                            <form method="post" action="{{ route('shelf.archive', $shelf) }}">@csrf @method('put')<button class="button" name="away" value="{{ $shelf->archived_at === null ? '1' : '0' }}">{{ $shelf->archived_at === null ? 'Put it away' : 'Take it up again' }}</button></form>
                        </section>
                        <section class="panel">
                            <h2>Delete it</h2>
                            <p class="door-note">It goes to Lost &amp; found with all that stands on it, and can be brought back from there.</p>
                            <a class="button" href="{{ route('shelf.delete', $shelf) }}">Delete this shelf…</a>
                        </section>
                    @endcan
                </div>
            </div>
        </main>
    </div>
</x-layout>

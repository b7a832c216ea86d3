<x-layout :title="__('views/place-keeper.the_whole_place')">
    <div class="frame">
        <x-shelves :current="null" at="place" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>{{ __('views/place-keeper.the_whole_place') }}</h1><p>{{ __('views/place-keeper.for_whoever_keeps_it') }}</p></div>
            <x-problems />
            <dl class="keeping-sums">
                <div><dd>{{ App\Words\Numbers::bytes($file) }}</dd><dt>{{ __('views/place-keeper.the_file') }}</dt></div>
                <div><dd>{{ $backups }}</dd><dt>{{ __('views/place-keeper.backups', ['backup' => $backup === null ? '' : __('views/place-keeper.the_newest_of').App\Words\Clock::exact(Carbon\CarbonImmutable::createFromTimestamp($backup))]) }}</dt></div>
                <div><dd>{{ $people->count() }}</dd><dt>{{ __('views/place-keeper.people') }}</dt></div>
            </dl>
            <p><a class="button" href="{{ route('keeping.place') }}">{{ __('views/place-keeper.what_is_kept_here') }}</a> <a class="button" href="{{ route('outbox') }}">{{ __('views/place-keeper.outbox') }}</a></p>
            @if ($checks->isNotEmpty() || $failed->isNotEmpty())
                <h2>{{ __('views/place-keeper.how_it_is') }}</h2>
                <table class="items plain-rows">
                    @foreach ($checks as $check)<tr><td>{{ $check->name }}</td><td>{{ $check->is_well ? 'well' : __('views/place-keeper.not_well') }}: {{ $check->said }}</td><td><x-when :at="Carbon\CarbonImmutable::parse($check->at)" /></td></tr>@endforeach
                    @foreach ($failed as $task)<tr><td>{{ __('views/place-keeper.did_not_work') }}</td><td>{{ __('views/place-keeper.for', ['name' => $task->name, 'who' => $task->who]) }}</td><td>@if ($task->done_at)<x-when :at="Carbon\CarbonImmutable::parse($task->done_at)" />@endif</td></tr>@endforeach
                </table>
            @endif
            <h2>{{ __('views/place-keeper.people_heading') }}</h2>
            <table class="items plain-rows">
                <thead><tr><th>{{ __('views/place-keeper.who') }}</th><th>{{ __('views/place-keeper.address') }}</th><th>{{ __('views/place-keeper.shelves') }}</th><th><span class="is-sr-only">{{ __('views/place-keeper.let_in') }}</span></th></tr></thead>
                <tbody>@foreach ($people as $person)<tr>
                    <td class="people-name"><x-monogram :user="$person" aria-hidden="true" /> {{ $person->name }} @if ($person->keeps_place)<small>{{ __('views/place-keeper.keeps_the_place') }}</small>@endif @if ($person->second_key !== null)<small>{{ __('place.has_second') }}</small>@endif @if ($person->left_at !== null)<small>{{ __('views/place-keeper.let_in_no_more') }}</small>@endif</td>
                    <td>{{ $person->email }}</td><td data-th="{{ __('views/place-keeper.shelves') }}">{{ $person->shelves_count }}</td>
                    <td class="items-do">@if ($person->second_key !== null && ! $person->is(auth()->user()))<form method="post" action="{{ route('place.second', $person) }}">@csrf @method('put')<button class="button is-quiet" aria-label="{{ __('place.set_anew', ['name' => $person->name]) }}">{{ __('place.set_anew_short') }}</button></form>@endif @unless ($person->is(auth()->user()))@if ($people->count() > 1)<a class="button is-quiet" href="{{ route('place.merge', $person) }}" aria-label="{{ __('place.merge.link_of', ['name' => $person->name]) }}">{{ __('place.merge.link') }}</a>@endif <form method="post" action="{{ route('place.admit', $person) }}">@csrf @method('put')<input type="hidden" name="leaves" value="{{ $person->left_at === null ? '1' : '0' }}"><button class="button is-quiet" aria-label="{{ __($person->left_at === null ? 'views/place-keeper.let_in_no_more_whom' : 'views/place-keeper.let_in_again_whom', ['name' => $person->name]) }}">{{ $person->left_at === null ? __('views/place-keeper.let_in_no_more_button') : __('views/place-keeper.let_in_again') }}</button></form>@endunless</td>
                </tr>@endforeach</tbody>
            </table>
            <h2>{{ __('views/place-keeper.shelves') }}</h2>
            <table class="items plain-rows">
                <thead><tr><th>{{ __('views/place-keeper.shelf') }}</th><th>{{ __('views/place-keeper.owners') }}</th><th class="is-number">{{ __('views/place-keeper.items') }}</th></tr></thead>
                <tbody>@foreach ($shelves as $shelf)<tr><td>{{ $shelf->name }}@if ($shelf->archived_at !== null) <small>{{ __('views/place-keeper.put_away') }}</small>@endif</td><td>{{ $shelf->memberships->where('role', App\Models\Role::Owner)->map(fn ($each) => $each->user->name)->join(', ') }}</td><td class="is-number" data-th="{{ __('views/place-keeper.items') }}">{{ $shelf->items_count }}</td></tr>@endforeach</tbody>
            </table>
            @if ($done->isNotEmpty())
                <h2>{{ __('place.log') }}</h2>
                <table class="items plain-rows">@foreach ($done as $line)<tr><td class="people-name"><x-monogram :user="$line->user" aria-hidden="true" /> {{ $line->user->name }}</td><td>{{ $line->said() }}</td><td><x-when :at="$line->at" /></td></tr>@endforeach</table>
                @if ($done->hasPages())<nav class="pages" aria-label="{{ __('place.pages') }}">@if ($done->previousPageUrl())<a class="button" href="{{ $done->previousPageUrl() }}">{{ __('place.before') }}</a>@endif @if ($done->nextPageUrl())<a class="button" href="{{ $done->nextPageUrl() }}">{{ __('place.next') }}</a>@endif</nav>@endif
            @endif
        </main>
    </div>
</x-layout>

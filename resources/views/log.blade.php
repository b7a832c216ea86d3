<x-layout :title="__('views/log.log_of', ['name' => $shelf->name])">
    <div class="frame">
        <x-shelves :current="$shelf" at="log" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>{{ __('views/log.log_of_name', ['name' => $shelf->name]) }}</h1><p>{{ __('views/log.what_was_deleted_restored_published') }}</p></div>
            <form class="items-find" method="get" role="search" action="{{ route('log', $shelf, false) }}">
                <div class="select"><select name="about" aria-label="{{ __('views/log.what_it_is_about') }}"><option value="">{{ __('views/log.about_everything') }}</option>@foreach (array_keys($view::ABOUT) as $about)<option value="{{ $about }}" @selected($view->about === $about)>{{ __("log.about.{$about}") }}</option>@endforeach</select></div>
                <div class="select"><select name="who" aria-label="{{ __('views/log.who') }}"><option value="">{{ __('views/log.by_everybody') }}</option>@foreach ($view->people as $person)<option value="{{ $person->id }}" @selected($view->who === $person->id)>{{ __('views/log.by', ['name' => $person->name]) }}</option>@endforeach</select></div>
                <button class="button">{{ __('views/log.show') }}</button>
                <span role="status">{{ trans_choice('views/log.nothing', $view->lines->total()) }}</span>
                <a href="{{ route('log.csv', [$shelf, ...array_filter(['about' => $view->about, 'who' => $view->who ?: null])], false) }}">{{ __('views/log.as_csv') }}</a>
            </form>
            @if ($view->lines->isEmpty())
                <div class="empty"><p>{{ __('views/log.nothing_of_that_kind_was_done') }}</p></div>
            @else
                <table class="items log">
                    <thead><tr><th>{{ __('views/log.when') }}</th><th>{{ __('views/log.who') }}</th><th>{{ __('views/log.what') }}</th></tr></thead>
                    <tbody>@foreach ($view->lines as $line)<tr><td class="items-change"><x-when :at="$line->at" /></td><td class="people-name"><x-monogram :user="$line->user" aria-hidden="true" /> {{ $line->user->firstName() }}</td><td>{{ $line->said() }}</td></tr>@endforeach</tbody>
                </table>
                @if ($view->lines->hasPages())<nav class="pages" aria-label="{{ __('views/log.pages') }}">@if ($view->lines->previousPageUrl())<a class="button" href="{{ $view->lines->previousPageUrl() }}">{{ __('views/log.before') }}</a>@endif <span>{{ __('views/log.to_of', ['first_item' => $view->lines->firstItem(), 'last_item' => $view->lines->lastItem(), 'total' => App\Words\Numbers::said($view->lines->total())]) }}</span> @if ($view->lines->nextPageUrl())<a class="button" href="{{ $view->lines->nextPageUrl() }}">{{ __('views/log.next') }}</a>@endif</nav>@endif
            @endif
        </main>
    </div>
</x-layout>

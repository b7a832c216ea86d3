<x-layout :title="'Log of '.$shelf->name">
    <div class="frame">
        <x-shelves :current="$shelf" at="log" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>Log of “{{ $shelf->name }}”</h1><p>what was deleted, restored, published, downloaded, and who may do what; for its owners</p></div>
            <form class="items-find" method="get" role="search" action="{{ route('log', $shelf, false) }}">
                <div class="select"><select name="about" aria-label="What it is about"><option value="">about everything</option>@foreach (array_keys($view::ABOUT) as $about)<option value="{{ $about }}" @selected($view->about === $about)>{{ __("log.about.{$about}") }}</option>@endforeach</select></div>
                <div class="select"><select name="who" aria-label="Who"><option value="">by everybody</option>@foreach ($view->people as $person)<option value="{{ $person->id }}" @selected($view->who === $person->id)>by {{ $person->name }}</option>@endforeach</select></div>
                <button class="button">Show</button>
                <span role="status">{{ trans_choice('{0} nothing|{1} one line|[2,*] :count lines', $view->lines->total()) }}</span>
                <a href="{{ route('log.csv', [$shelf, ...array_filter(['about' => $view->about, 'who' => $view->who ?: null])], false) }}">as CSV</a>
            </form>
            @if ($view->lines->isEmpty())
                <div class="empty"><p>Nothing of that kind was done here yet.</p></div>
            @else
                <table class="items log">
                    <thead><tr><th>When</th><th>Who</th><th>What</th></tr></thead>
                    <tbody>@foreach ($view->lines as $line)<tr><td class="items-change"><x-when :at="$line->at" /></td><td class="people-name"><x-monogram :user="$line->user" aria-hidden="true" /> {{ $line->user->firstName() }}</td><td>{{ $line->said() }}</td></tr>@endforeach</tbody>
                </table>
                @if ($view->lines->hasPages())<nav class="pages" aria-label="Pages">@if ($view->lines->previousPageUrl())<a class="button" href="{{ $view->lines->previousPageUrl() }}">Before</a>@endif <span>{{ $view->lines->firstItem() }} to {{ $view->lines->lastItem() }} of {{ App\Words\Numbers::said($view->lines->total()) }}</span> @if ($view->lines->nextPageUrl())<a class="button" href="{{ $view->lines->nextPageUrl() }}">Next</a>@endif</nav>@endif
            @endif
        </main>
    </div>
</x-layout>

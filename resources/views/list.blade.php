<x-layout :title="'All versions of '.$item->title" body="is-item">
    <x-item-head :item="$item" at="history">all versions as a list</x-item-head>
    <main id="main" class="listing">
        <div class="bar-row">
            <span class="switch" role="group" aria-label="Show">
                @foreach (['' => 'All', 'milestones' => 'Milestones', ...($item->isPublishable() ? ['published' => 'Published'] : []), ...($item->sight === null ? ['restores' => 'Restores', 'unusual' => 'Worth a look', 'notes' => 'Notes', 'pins' => 'Pinned'] : [])] as $only => $said)<a href="{{ route('list', [$item, ...$asked->with(['only' => $only])]) }}" @if ($asked->only === $only) aria-current="true" @endif>{{ $said }}</a>@endforeach
            </span>
            @if (! $asked->isAsked() && $item->sight === null)<span class="switch" role="group" aria-label="By">@foreach (['' => 'Versions', '1' => 'Sittings'] as $fold => $said)<a href="{{ route('list', [$item, ...$asked->with(['fold' => (string) $fold])]) }}" @if ($asked->fold === ($fold !== '')) aria-current="true" @endif>{{ $said }}</a>@endforeach</span>@endif
            <span class="bar-do"><a class="button" href="{{ route('history', $item) }}">Back to the ribbon</a></span>
        </div>
        <x-problems />
        <form class="items-find" method="get" action="{{ route('list', $item, false) }}" role="search" aria-label="In the list">
            @if ($asked->only !== '')<input type="hidden" name="only" value="{{ $asked->only }}">@endif
            <input class="input" type="search" name="words" value="{{ $asked->words }}" maxlength="200" placeholder="Words of the sentences" aria-label="Words of the sentences">
            @if ($editors->count() > 1)<div class="select"><select name="by" aria-label="Who"><option value="">by everybody</option>@foreach ($editors as $editor)<option value="{{ $editor->id }}" @selected($asked->by === $editor->id)>by {{ $editor->name }}</option>@endforeach</select></div>@endif
            <label for="list-from">from</label> <input class="input list-day" type="date" id="list-from" name="from" value="{{ $asked->from?->format('Y-m-d') }}">
            <label for="list-until">to</label> <input class="input list-day" type="date" id="list-until" name="until" value="{{ $asked->until?->format('Y-m-d') }}">
            <button class="button">Show</button>
            <span role="status">{{ trans_choice('{0} no version|{1} one version|[2,*] :count versions', $page->total()) }}@if ($asked->words !== '' && $item->head > App\View\ListQuery::LOOKED_THROUGH), of the newest {{ App\Words\Numbers::said(App\View\ListQuery::LOOKED_THROUGH) }}@endif</span>
            @if ($asked->isAsked())<a href="{{ route('list', $item, false) }}">show all</a>@endif
        </form>
        @if ($page->isEmpty())
            <div class="empty"><p>@if ($asked->only === 'published') No version was published yet. @elseif ($asked->only === 'milestones' && $asked->words === '') No version bears a name yet. Mark a milestone on the ribbon, or here, and it can be found at a glance. @else No version is like that. @endif</p></div>
        @endif
        @if ($item->sight === null && $page->onFirstPage())
            @foreach ($removals as $removal)<p class="removal">{{ $removal->user->firstName() }} {{ $removal->back ? 'brought it back' : 'took it away' }}, <x-when :at="$removal->at" /></p>@endforeach
        @endif
        <table class="versions">
            <caption class="is-sr-only">Versions, newest first</caption>
            <thead><tr><th>Version</th><th>What changed</th><th>Who</th><th>When</th><th>Milestone</th><th><span class="is-sr-only">Look</span></th></tr></thead>
            @foreach ($sittings as $sitting)
                <tbody>
                    @if (! $asked->isAsked() && $item->sight === null)
                        <tr class="versions-sitting" @if ($asked->fold) hidden @endif><th colspan="6" scope="rowgroup"><x-when :at="$sitting->last()->saved_at" exact />@if ($sitting->count() > 1), {{ $sitting->count() }} versions by {{ $sitting->map(fn ($version) => $version->user->firstName())->unique()->join(', ', ' and ') }} <a href="{{ route('history', ['item' => $item, 'from' => $item->lookFrom($sitting->last()->number), 'to' => $sitting->first()->number]) }}">Compare this sitting</a>@endif</th></tr>
                    @endif
                    @if ($asked->fold && ! $asked->isAsked() && $item->sight === null)
                        @php($most = $sitting->sortByDesc(fn ($version) => [$version->unusual !== null, $version->added + $version->removed])->first())
                        <tr>
                            <td class="versions-number">{{ $sitting->count() > 1 ? $sitting->last()->number.' to '.$sitting->first()->number : $most->number }}</td>
                            <td>{{ $phrases->seen($item, $most) }}@if ($sitting->count() > 1) <small>{{ trans_choice('{1} and one more version|[2,*] and :count more versions', $sitting->count() - 1) }}</small>@endif @if ($most->unusual)<small class="notch-words">{{ $phrases->unusual($most->unusual) }}</small>@endif</td>
                            <td class="versions-who">@foreach ($sitting->map(fn ($version) => $version->user)->unique('id') as $editor)<x-monogram :user="$editor" />@endforeach</td>
                            <td class="versions-when"><x-when :at="$sitting->first()->saved_at" /></td>
                            <td>@foreach ($sitting->filter(fn ($version) => $version->milestone !== null) as $named)<span class="flag"><span>{{ $named->milestone->name }}</span></span>@endforeach</td>
                            <td class="versions-do"><a href="{{ route('history', ['item' => $item, 'from' => $item->lookFrom($sitting->last()->number), 'to' => $sitting->first()->number]) }}" aria-label="What changed in the sitting of {{ $sitting->last()->number }} to {{ $sitting->first()->number }}">What changed</a></td>
                        </tr>
                    @endif
                    @foreach ($asked->fold && ! $asked->isAsked() && $item->sight === null ? [] : $sitting as $version)
                        @foreach (array_reverse($proposed[$version->number] ?? []) as $line)
                            <tr class="versions-talk"><td class="versions-number"></td><td>{{ $line['said'] }}</td><td class="versions-who"><x-monogram :user="$line['user']" aria-hidden="true" /> {{ $line['user']->firstName() }}</td><td class="versions-when"><x-when :at="$line['at']" /></td><td></td><td class="versions-do"><a href="{{ route('proposals', [$item, 'of' => $line['of']]) }}" aria-label="{{ __('proposing.look_at') }}: {{ $line['said'] }}">{{ __('proposing.look_at') }}</a></td></tr>
                        @endforeach
                        @foreach (array_reverse($talked[$version->number] ?? []) as $line)
                            <tr class="versions-talk"><td class="versions-number"><x-glyph name="talk" /></td><td>{{ $line['said'] }}</td><td class="versions-who"><x-monogram :user="$line['user']" aria-hidden="true" /> {{ $line['user']->firstName() }}</td><td class="versions-when"><x-when :at="$line['at']" /></td><td></td><td class="versions-do"><a href="{{ route('talk', [$item, 'show' => 'all']) }}#thread-{{ $line['thread'] }}" aria-label="The thread: {{ $line['said'] }}">The thread</a></td></tr>
                        @endforeach
                        <tr>
                            <td class="versions-number">{{ $version->number }}@if ($version->pinned_by !== null)<span class="pin is-inline" title="Pinned"><span class="is-sr-only">, pinned</span></span>@endif</td>
                            <td>{{ isset($since[$version->number]) ? $since[$version->number][1] : $phrases->seen($item, $version) }}@if ($item->sight === null) @if ($version->note)<small>“{{ $version->note }}”</small>@endif @if ($version->unusual)<small class="notch-words">{{ $phrases->unusual($version->unusual) }}</small>@endif @foreach ($steps($version) as $step)<small class="lantern-words">{{ $step }}</small>@endforeach @endif</td>
                            <td class="versions-who"><x-monogram :user="$version->user" aria-hidden="true" /> {{ $version->user->firstName() }}</td>
                            <td class="versions-when"><x-when :at="$version->saved_at" /></td>
                            <td>
                                @can('write', $item)
                                    <details class="menu" data-menu>
                                        <summary class="{{ $version->milestone ? 'flag' : 'mark-it' }}" @if ($version->milestone?->note) title="{{ $version->milestone->note }}" @endif>@if ($version->milestone)<span>{{ $version->milestone->name }}</span>@else<x-glyph name="flag" /><span class="is-sr-only">Mark {{ $version->number }} as a milestone</span>@endif</summary>
                                        <div class="menu-sheet menu-form is-right">
                                            <form method="post" action="{{ route('milestone.mark', [$item, $version->number]) }}">@csrf @method('put')<label class="label" for="name-{{ $version->number }}">Name for {{ $version->number }}</label><input class="input" id="name-{{ $version->number }}" name="name" maxlength="{{ config('attic.title') }}" value="{{ $version->milestone?->name }}" required data-focus><label class="is-sr-only" for="note-{{ $version->number }}">{{ __('history.milestone.note') }}</label><input class="input" id="note-{{ $version->number }}" name="note" maxlength="{{ config('attic.note') }}" value="{{ $version->milestone?->note }}" placeholder="{{ __('history.milestone.note') }}"><button class="button is-dark">{{ $version->milestone ? 'Rename' : 'Save name' }}</button></form>
                                            <form method="post" action="{{ route('version.pin', [$item, $version->number]) }}">@csrf @method('put')<input type="hidden" name="pin" value="{{ $version->pinned_by === null ? '1' : '0' }}"><button class="button is-quiet">{{ $version->pinned_by === null ? 'Pin it, so that no rule lets it go' : 'Take the pin off' }}</button></form>
                                            @can('comment', $item)<a class="button is-quiet" href="{{ route('talk', [$item, 'version' => $version->number]) }}">{{ __('talk.comment_on', ['what' => $version->number]) }}…</a>@endcan
                                            @if ($version->milestone)<form method="post" action="{{ route('milestone.remove', [$item, $version->number]) }}">@csrf @method('delete')<button class="button is-quiet">Take the name off</button></form>@endif
                                        </div>
                                    </details>
                                @elseif ($version->milestone)
                                    <span class="flag" @if ($version->milestone->note) title="{{ $version->milestone->note }}" @endif><span>{{ $version->milestone->name }}</span></span>
                                @endcan
                            </td>
                            <td class="versions-do"><a href="{{ route('history', ['item' => $item, 'from' => $version->number, 'to' => $version->number, 'view' => 'was']) }}" aria-label="Version {{ $version->number }} as it was">As it was</a> <a href="{{ route('history', ['item' => $item, 'from' => $since[$version->number][0] ?? $item->lookFrom($version->number), 'to' => $version->number]) }}" aria-label="What changed in version {{ $version->number }}">What changed</a></td>
                        </tr>
                        @isset($gaps[$version->number])<tr class="versions-gap"><td colspan="6">{{ $gaps[$version->number] }}</td></tr>@endisset
                    @endforeach
                </tbody>
            @endforeach
        </table>
        @if ($page->hasPages())
            <nav class="pages" aria-label="Pages">
                @if ($page->previousPageUrl())<a class="button" href="{{ $page->previousPageUrl() }}">Newer</a>@endif
                <span>page {{ $page->currentPage() }} of {{ $page->lastPage() }}</span>
                @if ($page->nextPageUrl())<a class="button" href="{{ $page->nextPageUrl() }}">Older</a>@endif
            </nav>
        @endif
    </main>
</x-layout>

<x-layout :title="__('views/list.all_versions_of', ['title' => $item->title])" body="is-item">
    <x-item-head :item="$item" at="history">{{ __('views/list.all_versions_as_a_list') }}</x-item-head>
    <main id="main" class="listing">
        <div class="bar-row">
            <span class="switch" role="group" aria-label="{{ __('views/list.show') }}">
                @foreach (['' => __('views/list.all'), 'milestones' => __('views/list.milestones'), ...($item->isPublishable() ? ['published' => __('views/list.published')] : []), ...($item->sight === null ? ['restores' => __('views/list.restores'), 'unusual' => __('views/list.worth_a_look'), 'notes' => __('views/list.notes'), 'pins' => __('views/list.pinned')] : [])] as $only => $said)<a href="{{ route('list', [$item, ...$asked->with(['only' => $only])]) }}" @if ($asked->only === $only) aria-current="true" @endif>{{ $said }}</a>@endforeach
            </span>
            @if (! $asked->isAsked() && $item->sight === null)<span class="switch" role="group" aria-label="{{ __('views/list.by') }}">@foreach (['' => __('views/list.versions'), '1' => __('views/list.sittings')] as $fold => $said)<a href="{{ route('list', [$item, ...$asked->with(['fold' => (string) $fold])]) }}" @if ($asked->fold === ($fold !== '')) aria-current="true" @endif>{{ $said }}</a>@endforeach</span>@endif
            <span class="bar-do"><a class="button" href="{{ route('history', $item) }}">{{ __('views/list.back_to_the_ribbon') }}</a></span>
        </div>
        <x-problems />
        <form class="items-find" method="get" action="{{ route('list', $item, false) }}" role="search" aria-label="{{ __('views/list.in_the_list') }}">
            @if ($asked->only !== '')<input type="hidden" name="only" value="{{ $asked->only }}">@endif
            <input class="input" type="search" name="words" value="{{ $asked->words }}" maxlength="200" placeholder="{{ __('views/list.words_of_the_sentences') }}" aria-label="{{ __('views/list.words_of_the_sentences') }}">
            @if ($editors->count() > 1)<div class="select"><select name="by" aria-label="{{ __('views/list.who') }}"><option value="">{{ __('views/list.by_everybody') }}</option>@foreach ($editors as $editor)<option value="{{ $editor->id }}" @selected($asked->by === $editor->id)>{{ __('views/list.by_2', ['name' => $editor->name]) }}</option>@endforeach</select></div>@endif
            <label for="list-from">{{ __('views/list.from') }}</label> <input class="input list-day" type="date" id="list-from" name="from" value="{{ $asked->from?->format('Y-m-d') }}">
            <label for="list-until">{{ __('views/list.to') }}</label> <input class="input list-day" type="date" id="list-until" name="until" value="{{ $asked->until?->format('Y-m-d') }}">
            <button class="button">{{ __('views/list.show') }}</button>
            <span role="status">{{ trans_choice('views/list.no_version', $page->total()) }}@if ($asked->words !== '' && $item->head > App\View\ListQuery::LOOKED_THROUGH){{ __('views/list.of_the_newest', ['most' => App\Words\Numbers::said(App\View\ListQuery::LOOKED_THROUGH)]) }}@endif</span>
            @if ($asked->isAsked())<a href="{{ route('list', $item, false) }}">{{ __('views/list.show_all') }}</a>@endif
        </form>
        @if ($page->isEmpty())
            <div class="empty"><p>@if ($asked->only === 'published') {{ __('views/list.no_version_was_published_yet') }} @elseif ($asked->only === 'milestones' && $asked->words === '') {{ __('views/list.no_version_has_a_name_yet') }} @else {{ __('views/list.no_version_is_like_that') }} @endif</p></div>
        @endif
        @if ($item->sight === null && $page->onFirstPage())
            @foreach ($removals as $removal)<p class="removal">{{ $removal->user->firstName() }} {{ $removal->back ? __('views/list.brought_it_back') : __('views/list.took_it_away') }}, <x-when :at="$removal->at" /></p>@endforeach
        @endif
        <table class="versions">
            <caption class="is-sr-only">{{ __('views/list.versions_newest_first') }}</caption>
            <thead><tr><th>{{ __('views/list.version') }}</th><th>{{ __('views/list.what_changed') }}</th><th>{{ __('views/list.who') }}</th><th>{{ __('views/list.when') }}</th><th>{{ __('views/list.milestone') }}</th><th><span class="is-sr-only">{{ __('views/list.look') }}</span></th></tr></thead>
            @foreach ($sittings as $sitting)
                <tbody>
                    @if (! $asked->isAsked() && $item->sight === null)
                        <tr class="versions-sitting" @if ($asked->fold) hidden @endif><th colspan="6" scope="rowgroup"><x-when :at="$sitting->last()->saved_at" exact />@if ($sitting->count() > 1){{ __('views/list.versions_by', ['number_of' => $sitting->count(), 'join' => $sitting->map(fn ($version) => $version->user->firstName())->unique()->join(', ', __('views/list.and'))]) }} <a href="{{ route('history', ['item' => $item, 'from' => $item->lookFrom($sitting->last()->number), 'to' => $sitting->first()->number]) }}">{{ __('views/list.compare_this_sitting') }}</a>@endif</th></tr>
                    @endif
                    @if ($asked->fold && ! $asked->isAsked() && $item->sight === null)
                        <tr>
                            <td class="versions-number">{{ $sitting->count() > 1 ? $sitting->last()->number.__('views/list.to_2').$sitting->first()->number : $largest($sitting)->number }}</td>
                            <td>{{ $phrases->seen($item, $largest($sitting)) }}@if ($sitting->count() > 1) <small>{{ trans_choice('views/list.and_one_more_version', $sitting->count() - 1) }}</small>@endif @if ($largest($sitting)->unusual)<small class="notch-words">{{ $phrases->unusual($largest($sitting)->unusual) }}</small>@endif</td>
                            <td class="versions-who">@foreach ($sitting->map(fn ($version) => $version->user)->unique('id') as $editor)<x-monogram :user="$editor" />@endforeach</td>
                            <td class="versions-when"><x-when :at="$sitting->first()->saved_at" /></td>
                            <td>@foreach ($sitting->filter(fn ($version) => $version->milestone !== null) as $named)<span class="flag"><span>{{ $named->milestone->name }}</span></span>@endforeach</td>
                            <td class="versions-do"><a href="{{ route('history', ['item' => $item, 'from' => $item->lookFrom($sitting->last()->number), 'to' => $sitting->first()->number]) }}" aria-label="{{ __('views/list.what_changed_in_the_sitting_of', ['number' => $sitting->last()->number, 'number_2' => $sitting->first()->number]) }}">{{ __('views/list.what_changed') }}</a></td>
                        </tr>
                    @endif
                    @foreach ($asked->fold && ! $asked->isAsked() && $item->sight === null ? [] : $sitting as $version)
                        @foreach (array_reverse($proposed[$version->number] ?? []) as $line)
                            <tr class="versions-talk"><td class="versions-number"></td><td>{{ $line['said'] }}</td><td class="versions-who"><x-monogram :user="$line['user']" aria-hidden="true" /> {{ $line['user']->firstName() }}</td><td class="versions-when"><x-when :at="$line['at']" /></td><td></td><td class="versions-do"><a href="{{ route('proposals', [$item, 'of' => $line['of']]) }}" aria-label="{{ __('proposing.look_at') }}: {{ $line['said'] }}">{{ __('proposing.look_at') }}</a></td></tr>
                        @endforeach
                        @foreach (array_reverse($talked[$version->number] ?? []) as $line)
                            <tr class="versions-talk"><td class="versions-number"><x-glyph name="talk" /></td><td>{{ $line['said'] }}</td><td class="versions-who"><x-monogram :user="$line['user']" aria-hidden="true" /> {{ $line['user']->firstName() }}</td><td class="versions-when"><x-when :at="$line['at']" /></td><td></td><td class="versions-do"><a href="{{ route('talk', [$item, 'show' => 'all']) }}#thread-{{ $line['thread'] }}" aria-label="{{ __('views/list.the_thread', ['line' => $line['said']]) }}">{{ __('views/list.the_thread_2') }}</a></td></tr>
                        @endforeach
                        <tr>
                            <td class="versions-number">{{ $version->number }}@if ($version->pinned_by !== null)<span class="pin is-inline" title="{{ __('views/list.pinned') }}"><span class="is-sr-only">{{ __('views/list.pinned_2') }}</span></span>@endif</td>
                            <td>{{ isset($since[$version->number]) ? $since[$version->number][1] : $phrases->seen($item, $version) }}@if ($item->sight === null) @if ($version->note)<small>“{{ $version->note }}”</small>@endif @if ($version->unusual)<small class="notch-words">{{ $phrases->unusual($version->unusual) }}</small>@endif @foreach ($steps($version) as $step)<small class="lantern-words">{{ $step }}</small>@endforeach @endif</td>
                            <td class="versions-who"><x-monogram :user="$version->user" aria-hidden="true" /> {{ $version->user->firstName() }}</td>
                            <td class="versions-when"><x-when :at="$version->saved_at" /></td>
                            <td>
                                @if ($mayWrite)
                                    <details class="menu" data-menu>
                                        <summary class="{{ $version->milestone ? 'flag' : 'mark-it' }}" @if ($version->milestone?->note) title="{{ $version->milestone->note }}" @endif>@if ($version->milestone)<span>{{ $version->milestone->name }}</span>@else<x-glyph name="flag" /><span class="is-sr-only">{{ __('views/list.mark_as_a_milestone', ['number' => $version->number]) }}</span>@endif</summary>
                                        <div class="menu-sheet menu-form is-right">
                                            <form method="post" action="{{ route('milestone.mark', [$item, $version->number]) }}">@csrf @method('put')<label class="label" for="name-{{ $version->number }}">{{ __('views/list.name_for', ['number' => $version->number]) }}</label><input class="input" id="name-{{ $version->number }}" name="name" maxlength="{{ config('attic.title') }}" value="{{ $version->milestone?->name }}" required data-focus><label class="is-sr-only" for="note-{{ $version->number }}">{{ __('history.milestone.note') }}</label><input class="input" id="note-{{ $version->number }}" name="note" maxlength="{{ config('attic.note') }}" value="{{ $version->milestone?->note }}" placeholder="{{ __('history.milestone.note') }}"><button class="button is-dark">{{ $version->milestone ? __('views/list.rename') : __('views/list.save_name') }}</button></form>
                                            <form method="post" action="{{ route('version.pin', [$item, $version->number]) }}">@csrf @method('put')<input type="hidden" name="pin" value="{{ $version->pinned_by === null ? '1' : '0' }}"><button class="button is-quiet">{{ $version->pinned_by === null ? __('views/list.pin_it_so_that_no_rule') : __('views/list.take_the_pin_off') }}</button></form>
                                            @if ($mayComment)<a class="button is-quiet" href="{{ route('talk', [$item, 'version' => $version->number]) }}">{{ __('talk.comment_on', ['what' => $version->number]) }}…</a>@endif
                                            @if ($version->milestone)<form method="post" action="{{ route('milestone.remove', [$item, $version->number]) }}">@csrf @method('delete')<button class="button is-quiet">{{ __('views/list.take_the_name_off') }}</button></form>@endif
                                        </div>
                                    </details>
                                @elseif ($version->milestone)
                                    <span class="flag" @if ($version->milestone->note) title="{{ $version->milestone->note }}" @endif><span>{{ $version->milestone->name }}</span></span>
                                @endif
                            </td>
                            <td class="versions-do"><a href="{{ route('history', ['item' => $item, 'from' => $version->number, 'to' => $version->number, 'view' => 'was']) }}" aria-label="{{ __('views/list.version_as_it_was', ['number' => $version->number]) }}">{{ __('views/list.as_it_was') }}</a> <a href="{{ route('history', ['item' => $item, 'from' => $since[$version->number][0] ?? $item->lookFrom($version->number), 'to' => $version->number]) }}" aria-label="{{ __('views/list.what_changed_in_version', ['number' => $version->number]) }}">{{ __('views/list.what_changed') }}</a></td>
                        </tr>
                        @isset($gaps[$version->number])<tr class="versions-gap"><td colspan="6">{{ $gaps[$version->number] }}</td></tr>@endisset
                    @endforeach
                </tbody>
            @endforeach
        </table>
        @if ($page->hasPages())
            <nav class="pages" aria-label="{{ __('views/list.pages') }}">
                @if ($page->previousPageUrl())<a class="button" href="{{ $page->previousPageUrl() }}">{{ __('views/list.newer') }}</a>@endif
                <span>{{ __('views/list.page_of', ['current_page' => $page->currentPage(), 'last_page' => $page->lastPage()]) }}</span>
                @if ($page->nextPageUrl())<a class="button" href="{{ $page->nextPageUrl() }}">{{ __('views/list.older') }}</a>@endif
            </nav>
        @endif
    </main>
</x-layout>

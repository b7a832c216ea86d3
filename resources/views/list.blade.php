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
            @if ($editors->count() > 1)<div class="select"><select name="by" aria-label="{{ __('views/list.who') }}"><option value="">{{ __('views/list.by_everybody') }}</option>@foreach ($editors as $editor)<option value="{{ $editor->id }}" @selected($asked->by === $editor->id)>{{ __('views/list.by_name', ['name' => $editor->name]) }}</option>@endforeach</select></div>@endif
            <label for="list-from">{{ __('views/list.from') }}</label> <input class="input list-day" type="date" id="list-from" name="from" value="{{ $asked->from?->format('Y-m-d') }}">
            <label for="list-until">{{ __('views/list.to') }}</label> <input class="input list-day" type="date" id="list-until" name="until" value="{{ $asked->until?->format('Y-m-d') }}">
            <button class="button">{{ __('views/list.show') }}</button>
            <span role="status">{{ trans_choice('views/list.no_version', $list->page->total()) }}@if ($asked->words !== '' && $item->head > App\View\Versions\ListQuery::LOOKED_THROUGH){{ __('views/list.of_the_newest', ['most' => App\Words\Numbers::said(App\View\Versions\ListQuery::LOOKED_THROUGH)]) }}@endif</span>
            @if ($asked->isAsked())<a href="{{ route('list', $item, false) }}">{{ __('views/list.show_all') }}</a>@endif
        </form>
        @if ($list->page->isEmpty())
            <div class="empty"><p>@if ($asked->only === 'published') {{ __('views/list.no_version_was_published_yet') }} @elseif ($asked->only === 'milestones' && $asked->words === '') {{ __('views/list.no_version_has_a_name_yet') }} @else {{ __('views/list.no_version_is_like_that') }} @endif</p></div>
        @endif
        @if ($item->sight === null && $list->page->onFirstPage())
            @foreach ($removals as $removal)<p class="removal">{{ $removal->user->firstName() }} {{ $removal->back ? __('views/list.brought_it_back') : __('views/list.took_it_away') }}, <x-when :at="$removal->at" /></p>@endforeach
        @endif
        <table class="versions">
            <caption class="is-sr-only">{{ __('views/list.versions_newest_first') }}</caption>
            <thead><tr><th>{{ __('views/list.version') }}</th><th>{{ __('views/list.what_changed') }}</th><th>{{ __('views/list.who') }}</th><th>{{ __('views/list.when') }}</th><th>{{ __('views/list.milestone') }}</th><th><span class="is-sr-only">{{ __('views/list.look') }}</span></th></tr></thead>
            @foreach ($list->sittings as $sitting)
                <tbody>
                    @if ($bySittings)
                        <tr class="versions-sitting" @if ($asked->fold) hidden @endif><th colspan="6" scope="rowgroup"><x-when :at="$sitting->oldest()->saved_at" exact />@if (count($sitting->lines) > 1){{ __('views/list.versions_by', ['number_of' => count($sitting->lines), 'join' => collect($sitting->editors())->map(fn ($editor) => $editor->firstName())->unique()->join(', ', __('views/list.and'))]) }} <a href="{{ route('history', ['item' => $item, 'from' => $item->lookFrom($sitting->oldest()->number), 'to' => $sitting->newest()->number]) }}">{{ __('views/list.compare_this_sitting') }}</a>@endif</th></tr>
                    @endif
                    @if ($asked->fold && $bySittings)
                        <tr>
                            <td class="versions-number">{{ count($sitting->lines) > 1 ? $sitting->oldest()->number.__('views/list.to_between').$sitting->newest()->number : $sitting->telling->version->number }}</td>
                            <td>{{ $sitting->telling->sentence }}@if (count($sitting->lines) > 1) <small>{{ trans_choice('views/list.and_one_more_version', count($sitting->lines) - 1) }}</small>@endif @if ($sitting->telling->unusual)<small class="notch-words">{{ $sitting->telling->unusual }}</small>@endif</td>
                            <td class="versions-who">@foreach ($sitting->editors() as $editor)<x-monogram :user="$editor" />@endforeach</td>
                            <td class="versions-when"><x-when :at="$sitting->newest()->saved_at" /></td>
                            <td>@foreach ($sitting->milestones() as $named)<span class="flag"><span>{{ $named }}</span></span>@endforeach</td>
                            <td class="versions-do"><a href="{{ route('history', ['item' => $item, 'from' => $item->lookFrom($sitting->oldest()->number), 'to' => $sitting->newest()->number]) }}" aria-label="{{ __('views/list.what_changed_in_the_sitting_of', ['number' => $sitting->oldest()->number, 'later' => $sitting->newest()->number]) }}">{{ __('views/list.what_changed') }}</a></td>
                        </tr>
                    @endif
                    @foreach ($asked->fold && $bySittings ? [] : $sitting->lines as $line)
                        @foreach (array_reverse($list->proposed[$line->version->number] ?? []) as $said)
                            <tr class="versions-talk"><td class="versions-number"></td><td>{{ $said['said'] }}</td><td class="versions-who"><x-monogram :user="$said['user']" aria-hidden="true" /> {{ $said['user']->firstName() }}</td><td class="versions-when"><x-when :at="$said['at']" /></td><td></td><td class="versions-do"><a href="{{ route('proposals', [$item, 'of' => $said['of']]) }}" aria-label="{{ __('proposing.look_at') }}: {{ $said['said'] }}">{{ __('proposing.look_at') }}</a></td></tr>
                        @endforeach
                        @foreach (array_reverse($list->talked[$line->version->number] ?? []) as $said)
                            <tr class="versions-talk"><td class="versions-number"><x-glyph name="talk" /></td><td>{{ $said['said'] }}</td><td class="versions-who"><x-monogram :user="$said['user']" aria-hidden="true" /> {{ $said['user']->firstName() }}</td><td class="versions-when"><x-when :at="$said['at']" /></td><td></td><td class="versions-do"><a href="{{ route('talk', [$item, 'show' => 'all']) }}#thread-{{ $said['thread'] }}" aria-label="{{ __('views/list.the_thread', ['line' => $said['said']]) }}">{{ __('views/list.the_thread_label') }}</a></td></tr>
                        @endforeach
                        <tr>
                            <td class="versions-number">{{ $line->version->number }}@if ($line->version->pinned_by !== null)<span class="pin is-inline" title="{{ __('views/list.pinned') }}"><span class="is-sr-only">{{ __('views/list.comma_pinned') }}</span></span>@endif</td>
                            <td>{{ $line->sentence }}@if ($item->sight === null) @if ($line->version->note)<small>“{{ $line->version->note }}”</small>@endif @if ($line->unusual)<small class="notch-words">{{ $line->unusual }}</small>@endif @foreach ($line->steps as $step)<small class="lantern-words">{{ $step }}</small>@endforeach @endif</td>
                            <td class="versions-who"><x-monogram :user="$line->version->user" aria-hidden="true" /> {{ $line->version->user->firstName() }}</td>
                            <td class="versions-when"><x-when :at="$line->version->saved_at" /></td>
                            <td>
                                @if ($mayWrite)
                                    <details class="menu" data-menu>
                                        <summary class="{{ $line->version->milestone ? 'flag' : 'mark-it' }}" @if ($line->version->milestone?->note) title="{{ $line->version->milestone->note }}" @endif>@if ($line->version->milestone)<span>{{ $line->version->milestone->name }}</span>@else<x-glyph name="flag" /><span class="is-sr-only">{{ __('views/list.mark_as_a_milestone', ['number' => $line->version->number]) }}</span>@endif</summary>
                                        <div class="menu-sheet menu-form is-right">
                                            <form method="post" action="{{ route('milestone.mark', [$item, $line->version->number]) }}">@csrf @method('put')<label class="label" for="name-{{ $line->version->number }}">{{ __('views/list.name_for', ['number' => $line->version->number]) }}</label><input class="input" id="name-{{ $line->version->number }}" name="name" maxlength="{{ config('attic.title') }}" value="{{ $line->version->milestone?->name }}" required data-focus><label class="is-sr-only" for="note-{{ $line->version->number }}">{{ __('history.milestone.note') }}</label><input class="input" id="note-{{ $line->version->number }}" name="note" maxlength="{{ config('attic.note') }}" value="{{ $line->version->milestone?->note }}" placeholder="{{ __('history.milestone.note') }}"><button class="button is-dark">{{ $line->version->milestone ? __('views/list.rename') : __('views/list.save_name') }}</button></form>
                                            <form method="post" action="{{ route('version.pin', [$item, $line->version->number]) }}">@csrf @method('put')<input type="hidden" name="pin" value="{{ $line->version->pinned_by === null ? '1' : '0' }}"><button class="button is-quiet">{{ $line->version->pinned_by === null ? __('views/list.pin_it_so_that_no_rule') : __('views/list.take_the_pin_off') }}</button></form>
                                            @if ($mayComment)<a class="button is-quiet" href="{{ route('talk', [$item, 'version' => $line->version->number]) }}">{{ __('talk.comment_on', ['what' => $line->version->number]) }}…</a>@endif
                                            @if ($line->version->milestone)<form method="post" action="{{ route('milestone.remove', [$item, $line->version->number]) }}">@csrf @method('delete')<button class="button is-quiet">{{ __('views/list.take_the_name_off') }}</button></form>@endif
                                        </div>
                                    </details>
                                @elseif ($line->version->milestone)
                                    <span class="flag" @if ($line->version->milestone->note) title="{{ $line->version->milestone->note }}" @endif><span>{{ $line->version->milestone->name }}</span></span>
                                @endif
                            </td>
                            <td class="versions-do"><a href="{{ route('history', ['item' => $item, 'from' => $line->version->number, 'to' => $line->version->number, 'view' => 'was']) }}" aria-label="{{ __('views/list.version_as_it_was', ['number' => $line->version->number]) }}">{{ __('views/list.as_it_was') }}</a> <a href="{{ route('history', ['item' => $item, 'from' => $line->from, 'to' => $line->version->number]) }}" aria-label="{{ __('views/list.what_changed_in_version', ['number' => $line->version->number]) }}">{{ __('views/list.what_changed') }}</a></td>
                        </tr>
                        @isset($list->gaps[$line->version->number])<tr class="versions-gap"><td colspan="6">{{ $list->gaps[$line->version->number] }}</td></tr>@endisset
                    @endforeach
                </tbody>
            @endforeach
        </table>
        @if ($list->page->hasPages())
            <nav class="pages" aria-label="{{ __('views/list.pages') }}">
                @if ($list->page->previousPageUrl())<a class="button" href="{{ $list->page->previousPageUrl() }}">{{ __('views/list.newer') }}</a>@endif
                <span>{{ __('views/list.page_of', ['current_page' => $list->page->currentPage(), 'last_page' => $list->page->lastPage()]) }}</span>
                @if ($list->page->nextPageUrl())<a class="button" href="{{ $list->page->nextPageUrl() }}">{{ __('views/list.older') }}</a>@endif
            </nav>
        @endif
    </main>
</x-layout>

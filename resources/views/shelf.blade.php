<x-layout :title="$shelf->name">
    <div class="frame">
        <x-shelves :current="$shelf" />
        <main id="main" class="shelf">
            <div class="shelf-head">
                <h1>{{ $shelf->name }}</h1>
                <p>@if ($shelf->about !== ''){{ $shelf->about }} · @endif {{ trans_choice('shelf.shared', $shelf->memberships->count() - 1) }} · @if ($shelf->unkept_kinds === []){{ __('views/shelf.every_change_kept') }} @else {{ lcfirst(__('keeping.kinds.said_on_shelf', ['kinds' => App\Keeping\KeepKinds::named($shelf->unkept_kinds)])) }}@endif</p>
                @unless ($view->items->isEmpty())
                    <nav class="switch" aria-label="{{ __('views/shelf.how_items_are_shown') }}">@foreach (['' => __('views/shelf.rows'), '1' => __('views/shelf.miniatures')] as $value => $said)<a href="{{ route('shelf', [$shelf, ...$view->asked->with(['pictures' => (string) $value])], false) }}" @if ($view->asked->pictures === ($value !== '')) aria-current="true" @endif>{{ $said }}</a>@endforeach</nav>
                @endunless
                @can('make', $shelf)
                    <details class="menu" data-menu>
                        <summary class="button is-dark">{{ __('views/shelf.new') }}</summary>
                        <form class="menu-sheet is-right menu-form is-new" method="post" action="{{ route('shelf.make', $shelf) }}" enctype="multipart/form-data">
                            @csrf
                            <fieldset class="new-kinds"><legend class="label">{{ __('views/shelf.what_should_it_be') }}</legend>
                                @foreach ($offered as $kind => $page)
                                    @if ($page === null)
                                    <label><input type="radio" name="kind" value="{{ $kind }}" aria-label="{{ __("item.new.{$kind}") }}" aria-describedby="kind-{{ $kind }}" @checked($loop->first)> <x-glyph :name="$kind" /> <b>{{ __("item.new.{$kind}") }}</b> <small id="kind-{{ $kind }}">{{ __("item.new.{$kind}_is") }}</small></label>
                                    @else
                                    <a href="{{ $page }}"><x-glyph :name="$kind" /> <b>{{ __("item.new.{$kind}") }}…</b> <small>{{ __("item.new.{$kind}_is") }}</small></a>
                                    @endif
                                @endforeach
                            </fieldset>
                            <label class="label" for="new-title">{{ __('views/shelf.what_is_it_called') }}</label>
                            <input class="input" id="new-title" name="title" maxlength="{{ config('attic.title') }}" placeholder="{{ __('views/shelf.without_a_name_yet') }}" data-focus>
                            <label class="label" for="new-file">{{ __('views/shelf.from_a_file_if_you_like') }}</label>
                            <input class="file-in" id="new-file" type="file" name="file" accept=".md,.markdown,.html,.htm,.odt,.docx,.xlsx,.ods,.csv,.tsv,.json" aria-describedby="new-file-what">
                            <small id="new-file-what">{{ __('views/shelf.markdown_html_odt_docx_xlsx_ods') }}</small>
                            <button class="button is-dark">{{ __('views/shelf.make_it') }}</button>
                        </form>
                    </details>
                @endcan
            </div>
            <x-problems />
            @can('make', $shelf)@foreach (array_keys($offered) as $kind)@includeIf("kinds.{$kind}.on-shelf")@endforeach @endcan
            @if ($held->isNotEmpty() || $view->unusual !== [] || $view->wishes->isNotEmpty() || $view->proposals !== [])
                <div class="cards">
                    @foreach ($view->wishes as $wish)
                        <div class="card is-wish">
                            @if ($wish->decided_at === null)
                                <b>{{ __('views/shelf.asks_to_publish', ['who' => $wish->user->firstName(), 'number' => $wish->version->number]) }}</b>
                            @else
                                <b>{{ __("publishing.told.{$wish->state->value}", ['decider' => $wish->decider->firstName(), 'number' => $wish->version->number]) }}</b>
                            @endif
                            <p>{{ $wish->title }} @if ($wish->decided_at === null ? $wish->note : $wish->answer)· “{{ $wish->decided_at === null ? $wish->note : $wish->answer }}”@endif</p>
                            <a href="{{ route('wish', [$wish->item, $wish]) }}">{{ $wish->decided_at === null ? __('views/shelf.look_and_answer') : __('views/shelf.i_have_seen_it') }}</a>
                        </div>
                    @endforeach
                    @foreach ($view->proposals as [$form, $count])
                        <div class="card is-wish">
                            <b>{{ trans_choice('agreeing.waiting', $count) }}</b>
                            <p>{{ __('views/shelf.entries_of', ['title' => $form->title]) }}</p>
                            <a href="{{ route('entries.waiting', $form) }}">{{ __('views/shelf.look_and_answer') }}</a>
                        </div>
                    @endforeach
                    @foreach ($view->unusual as [$version, $said])
                        <div class="card is-unusual">
                            <b>{{ $said }}</b>
                            <p>{{ $version->item->title }} · {{ $version->user->firstName() }}, <x-when :at="$version->saved_at" /> {{ __('views/shelf.in', ['number' => $version->number]) }}</p>
                            <x-unusual :version="$version" look />
                        </div>
                    @endforeach
                    @foreach ($held as $edit)
                        <div class="card is-held">
                            <b>{{ App\View\Plans\HeldEditView::title($edit, auth()->user()) }}</b>
                            <p>{{ __('views/shelf.it_met', ['title' => $edit->item->title, 'edit' => App\View\Plans\HeldEditView::whose($edit), 'user' => App\View\Plans\HeldEditView::where($edit, $edit->item, auth()->user())]) }}</p>
                            @can('settle', [$edit->item, $edit])<a href="{{ route('held', [$edit->item, $edit]) }}">{{ __('views/shelf.settle_it') }}</a>@else<p>{{ __('item.held_for_owner') }}</p>@endcan
                        </div>
                    @endforeach
                </div>
            @endif
            @if ($view->isLong)
                <form class="items-find" method="get" action="{{ route('shelf', $shelf, false) }}" role="search">
                    <input class="input" type="search" name="find" value="{{ $view->asked->find }}" maxlength="200" placeholder="{{ __('views/shelf.find_by_title') }}" aria-label="{{ __('views/shelf.find_by_title') }}">
                    <div class="select"><select name="kind" aria-label="{{ __('views/shelf.kind') }}">
                        <option value="">{{ __('views/shelf.all_kinds') }}</option>
                        @foreach (array_keys($offered) as $kind)<option value="{{ $kind }}" @selected($view->asked->kind === $kind)>{{ __("item.kinds.{$kind}") }}</option>@endforeach
                    </select></div>
                    <input type="hidden" name="sort" value="{{ $view->asked->sort }}">@if ($view->asked->pictures)<input type="hidden" name="pictures" value="1">@endif
                    <button class="button">{{ __('views/shelf.find') }}</button>
                    <span role="status">{{ trans_choice('item.found', $view->items->total()) }}</span>
                    @if ($view->asked->isAsked())<a href="{{ route('shelf', [$shelf, ...(new App\View\Shelf\ShelfQuery(sort: $view->asked->sort, pictures: $view->asked->pictures))->with()], false) }}">{{ __('views/shelf.show_all') }}</a>@endif
                </form>
            @endif
            @if ($view->items->isEmpty())
                @if ($view->asked->isAsked())<div class="empty"><p>{{ __('views/shelf.nothing_on_this_shelf_is_called') }}</p></div>
                @else<div class="empty"><p>{{ __('views/shelf.nothing_is_on_this_shelf_yet') }}</p>@can('make', $shelf)<p>{{ __('views/shelf.make_something_and_every_change_to') }}</p>@endcan</div>@endif
            @else
                <table class="items" data-rows>
                    <thead><tr><th><span class="is-sr-only">{{ __('views/shelf.kind') }}</span></th><th @if ($view->asked->sort === 'title') aria-sort="ascending" @endif><a href="{{ route('shelf', [$shelf, ...$view->asked->with(['sort' => 'title'])], false) }}">{{ __('views/shelf.item') }}</a></th><th @if ($view->asked->sort === 'changed') aria-sort="descending" @endif><a href="{{ route('shelf', [$shelf, ...$view->asked->with(['sort' => 'changed'])], false) }}">{{ __('views/shelf.last_change') }}</a></th><th class="items-bars">{{ __('views/shelf.last_eight_weeks_by_editor') }}</th><th>{{ __('views/shelf.latest_milestone') }}</th><th><span class="is-sr-only">{{ __('views/shelf.history') }}</span></th></tr></thead>
                    <tbody>
                        @foreach ($view->items as $item)
<tr data-row>
<td>@if ($view->asked->pictures && ($seen = $view->seen($item)) !== null)<x-miniature :item="$item" :version="$seen" />@else<x-glyph :name="$item->kind" />@endif</td>
<td class="items-name"><a href="{{ route('item', $item, false) }}" title="{{ $item->title }}">{{ $item->title }}</a><small>{{ ucfirst($item->kind) }} · @if ($item->sight === null){{ trans_choice('views/shelf.one_version', $item->kept()) }}@if ($item->isPublishable()), {{ $item->live === null ? __('views/shelf.nothing_is_live') : ($item->live->version->number === $item->head ? 'live' : __('views/shelf.live_is').$item->live->version->number) }}@endif @if (isset($view->talk[$item->id])) · <a href="{{ route('talk', $item, false) }}">{{ trans_choice('talk.on_row', $view->talk[$item->id]) }}</a>@endif @else {{ __('views/shelf.published') }} @endif</small></td>
<td class="items-change">
@if ($item->sight !== null)
<a href="{{ route('history', $item, false) }}" title="{{ __('views/shelf.look_at_this_change') }}">{{ __('publishing.for_readers', ['count' => (string) $item->live?->count]) }}</a><small><x-when :at="$item->changed_at" /></small>
@elseif ($item->newest)
<a href="{{ route('history', $item, false) }}" title="{{ __('views/shelf.look_at_this_change') }}">{{ $view->sentences[$item->id] }}</a><small>{{ $item->newest->user->firstName() }}, <x-when :at="$item->newest->saved_at" /></small>
@endif
</td>
<td class="items-bars"><svg viewBox="0 0 196 {{ $view::BAR_HEIGHT }}" role="img" aria-label="{{ __('views/shelf.edits_in_the_last_eight_weeks') }}">@foreach ($view->bars[$item->id] ?? [] as $colour => $path)<path class="bar by-{{ $colour }}" d="{{ $path }}"/>@endforeach</svg></td>
<td>@if ($milestone = $view->milestones->get($item->id))<a class="flag" href="{{ route('history', ['item' => $item, 'from' => $milestone->number, 'to' => $item->head], false) }}" title="{{ __('views/shelf.version', ['name' => $milestone->name, 'number' => $milestone->number]) }}"><span>{{ $milestone->name }}</span></a>@endif</td>
<td class="items-do">
<a class="button" href="{{ route('history', $item, false) }}" aria-label="{{ __('views/shelf.history_of', ['title' => $item->title]) }}">{{ __('views/shelf.history') }}</a>
<details class="menu" data-menu data-from="{{ route('item.menu', $item, false) }}"><summary class="button is-quiet" aria-label="{{ __('views/shelf.more_for', ['title' => $item->title]) }}"><x-glyph name="dots" /></summary><div class="menu-sheet is-right"><a class="menu-line" href="{{ route('item.menu', $item, false) }}">{{ __('views/shelf.what_can_be_done_with_it') }}</a></div></details>
</td>
</tr>
                        @endforeach
                    </tbody>
                </table>
                @if ($view->items->hasPages())<nav class="pages" aria-label="{{ __('views/shelf.pages') }}">@if ($view->items->previousPageUrl())<a class="button" href="{{ $view->items->previousPageUrl() }}">{{ __('views/shelf.before') }}</a>@endif <span>{{ __('views/shelf.to_of', ['first_item' => $view->items->firstItem(), 'last_item' => $view->items->lastItem(), 'total' => App\Words\Numbers::said($view->items->total())]) }}</span> @if ($view->items->nextPageUrl())<a class="button" href="{{ $view->items->nextPageUrl() }}">{{ __('views/shelf.next') }}</a>@endif</nav>@endif
            @endif
        </main>
    </div>
</x-layout>

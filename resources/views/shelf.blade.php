<x-layout :title="$shelf->name">
    <div class="frame">
        <x-shelves :current="$shelf" />
        <main id="main" class="shelf">
            <div class="shelf-head">
                <h1>{{ $shelf->name }}</h1>
                <p>@if ($shelf->about !== ''){{ $shelf->about }} · @endif {{ trans_choice('shelf.shared', $shelf->memberships->count() - 1) }} · @if ($shelf->unkept_kinds === [])every change kept @else {{ lcfirst(__('keeping.kinds.said_on_shelf', ['kinds' => App\Keeping\KeepKinds::named($shelf->unkept_kinds)])) }}@endif</p>
                @unless ($view->items->isEmpty())
                    <nav class="switch" aria-label="How items are shown">@foreach (['' => 'Rows', '1' => 'Miniatures'] as $value => $said)<a href="{{ route('shelf', [$shelf, ...$view->asked->with(['pictures' => (string) $value])], false) }}" @if ($view->asked->pictures === ($value !== '')) aria-current="true" @endif>{{ $said }}</a>@endforeach</nav>
                @endunless
                @can('make', $shelf)
                    <details class="menu" data-menu>
                        <summary class="button is-dark">New…</summary>
                        <form class="menu-sheet is-right menu-form is-new" method="post" action="{{ route('shelf.make', $shelf) }}" enctype="multipart/form-data">
                            @csrf
                            <fieldset class="new-kinds"><legend class="label">What shall it be?</legend>
                                @foreach ($offered as $kind => $page)
                                    @if ($page === null)
                                    <label><input type="radio" name="kind" value="{{ $kind }}" aria-label="{{ __("item.new.{$kind}") }}" aria-describedby="kind-{{ $kind }}" @checked($loop->first)> <x-glyph :name="$kind" /> <b>{{ __("item.new.{$kind}") }}</b> <small id="kind-{{ $kind }}">{{ __("item.new.{$kind}_is") }}</small></label>
                                    @else
                                    <a href="{{ $page }}"><x-glyph :name="$kind" /> <b>{{ __("item.new.{$kind}") }}…</b> <small>{{ __("item.new.{$kind}_is") }}</small></a>
                                    @endif
                                @endforeach
                            </fieldset>
                            <label class="label" for="new-title">What is it called?</label>
                            <input class="input" id="new-title" name="title" maxlength="{{ config('attic.title') }}" placeholder="Without a name yet" data-focus>
                            <label class="label" for="new-file">From a file, if you like</label>
                            <input class="file-in" id="new-file" type="file" name="file" accept=".md,.markdown,.html,.htm,.odt,.docx,.xlsx,.ods,.csv,.tsv,.json" aria-describedby="new-file-what">
                            <small id="new-file-what">Markdown, HTML, ODT, DOCX; XLSX, ODS, CSV or TSV; up to 10 MB</small>
                            <button class="button is-dark">Make it</button>
                        </form>
                    </details>
                @endcan
            </div>
            <x-problems />
            @can('make', $shelf)@foreach (array_keys($offered) as $kind)@includeIf("kinds.{$kind}.on-shelf")@endforeach @endcan
            @if ($held->isNotEmpty() || $view->unusual->isNotEmpty() || $view->wishes->isNotEmpty() || $view->proposals !== [])
                <div class="cards">
                    @foreach ($view->wishes as $wish)
                        <div class="card is-wish">
                            @if ($wish->decided_at === null)
                                <b>{{ $wish->user->firstName() }} asks to publish {{ $wish->version->number }}</b>
                            @else
                                <b>{{ __("publishing.told.{$wish->state->value}", ['decider' => $wish->decider->firstName(), 'number' => $wish->version->number]) }}</b>
                            @endif
                            <p>{{ $wish->title }} @if ($wish->decided_at === null ? $wish->note : $wish->answer)· “{{ $wish->decided_at === null ? $wish->note : $wish->answer }}”@endif</p>
                            <a href="{{ route('wish', [$wish->item, $wish]) }}">{{ $wish->decided_at === null ? 'Look and answer…' : 'I have seen it' }}</a>
                        </div>
                    @endforeach
                    @foreach ($view->proposals as [$form, $count])
                        <div class="card is-wish">
                            <b>{{ trans_choice('agreeing.waiting', $count) }}</b>
                            <p>Entries of {{ $form->title }}</p>
                            <a href="{{ route('entries.waiting', $form) }}">Look and answer…</a>
                        </div>
                    @endforeach
                    @foreach ($view->unusual as $version)
                        <div class="card is-unusual">
                            <b>{{ $phrases->unusual($version->unusual) }}</b>
                            <p>{{ $version->item->title }} · {{ $version->user->firstName() }}, <x-when :at="$version->saved_at" /> in {{ $version->number }}</p>
                            <x-unusual :version="$version" look />
                        </div>
                    @endforeach
                    @foreach ($held as $edit)
                        <div class="card is-held">
                            <b>{{ App\View\Plans\HeldEditView::title($edit, auth()->user()) }}</b>
                            <p>{{ $edit->item->title }} · it met {{ App\View\Plans\HeldEditView::whose($edit) }}{{ App\View\Plans\HeldEditView::where($edit, $edit->item, auth()->user()) }}</p>
                            @can('settle', [$edit->item, $edit])<a href="{{ route('held', [$edit->item, $edit]) }}">Settle it</a>@else<p>{{ __('item.held_for_owner') }}</p>@endcan
                        </div>
                    @endforeach
                </div>
            @endif
            @if ($view->isLong)
                <form class="items-find" method="get" action="{{ route('shelf', $shelf, false) }}" role="search">
                    <input class="input" type="search" name="find" value="{{ $view->asked->find }}" maxlength="200" placeholder="Find by title" aria-label="Find by title">
                    <div class="select"><select name="kind" aria-label="Kind">
                        <option value="">all kinds</option>
                        @foreach (array_keys($offered) as $kind)<option value="{{ $kind }}" @selected($view->asked->kind === $kind)>{{ __("item.kinds.{$kind}") }}</option>@endforeach
                    </select></div>
                    <input type="hidden" name="sort" value="{{ $view->asked->sort }}">@if ($view->asked->pictures)<input type="hidden" name="pictures" value="1">@endif
                    <button class="button">Find</button>
                    <span role="status">{{ trans_choice('item.found', $view->items->total()) }}</span>
                    @if ($view->asked->isAsked())<a href="{{ route('shelf', [$shelf, ...(new App\View\Shelf\ShelfQuery(sort: $view->asked->sort, pictures: $view->asked->pictures))->with()], false) }}">show all</a>@endif
                </form>
            @endif
            @if ($view->items->isEmpty())
                @if ($view->asked->isAsked())<div class="empty"><p>Nothing on this shelf is called that.</p></div>
                @else<div class="empty"><p>Nothing stands on this shelf yet.</p>@can('make', $shelf)<p>Make something, and every change to it is kept from the first word on.</p>@endcan</div>@endif
            @else
                <table class="items" data-rows>
                    <thead><tr><th><span class="is-sr-only">Kind</span></th><th @if ($view->asked->sort === 'title') aria-sort="ascending" @endif><a href="{{ route('shelf', [$shelf, ...$view->asked->with(['sort' => 'title'])], false) }}">Item</a></th><th @if ($view->asked->sort === 'changed') aria-sort="descending" @endif><a href="{{ route('shelf', [$shelf, ...$view->asked->with(['sort' => 'changed'])], false) }}">Last change</a></th><th>Last eight weeks, by editor</th><th>Latest milestone</th><th><span class="is-sr-only">History</span></th></tr></thead>
                    <tbody>
                        @foreach ($view->items as $item)
<tr data-row>
<td>@if ($view->asked->pictures && ($seen = $view->seen($item)) !== null)<x-miniature :item="$item" :version="$seen" />@else<x-glyph :name="$item->kind" />@endif</td>
<td class="items-name"><a href="{{ route('item', $item, false) }}" title="{{ $item->title }}">{{ $item->title }}</a><small>{{ ucfirst($item->kind) }} · @if ($item->sight === null){{ trans_choice('{1} one version|[2,*] :count versions', $item->kept()) }}@if ($item->isPublishable()), {{ $item->live === null ? 'nothing is live' : ($item->live->version->number === $item->head ? 'live' : 'live is '.$item->live->version->number) }}@endif @if (isset($view->talk[$item->id])) · <a href="{{ route('talk', $item, false) }}">{{ trans_choice('talk.on_row', $view->talk[$item->id]) }}</a>@endif @else published @endif</small></td>
<td class="items-change">
@if ($item->sight !== null)
<a href="{{ route('history', $item, false) }}" title="Look at this change">{{ __('publishing.for_readers', ['count' => (string) $item->live?->count]) }}</a><small><x-when :at="$item->changed_at" /></small>
@elseif ($item->newest)
<a href="{{ route('history', $item, false) }}" title="Look at this change">{{ $phrases->version($item->newest) }}</a><small>{{ $item->newest->user->firstName() }}, <x-when :at="$item->newest->saved_at" /></small>
@endif
</td>
<td class="items-bars"><svg viewBox="0 0 196 {{ $view::BAR_HEIGHT }}" role="img" aria-label="Edits in the last eight weeks">@foreach ($view->bars[$item->id] ?? [] as $colour => $path)<path class="bar by-{{ $colour }}" d="{{ $path }}"/>@endforeach</svg></td>
<td>@if ($milestone = $view->milestones->get($item->id))<a class="flag" href="{{ route('history', ['item' => $item, 'from' => $milestone->number, 'to' => $item->head], false) }}" title="{{ $milestone->name }}: version {{ $milestone->number }}"><span>{{ $milestone->name }}</span></a>@endif</td>
<td class="items-do">
<a class="button" href="{{ route('history', $item, false) }}" aria-label="History of {{ $item->title }}">History</a>
<details class="menu" data-menu data-from="{{ route('item.menu', $item, false) }}"><summary class="button is-quiet" aria-label="More for {{ $item->title }}"><x-glyph name="dots" /></summary><div class="menu-sheet is-right"><a class="menu-line" href="{{ route('item.menu', $item, false) }}">What can be done with it…</a></div></details>
</td>
</tr>
                        @endforeach
                    </tbody>
                </table>
                @if ($view->items->hasPages())<nav class="pages" aria-label="Pages">@if ($view->items->previousPageUrl())<a class="button" href="{{ $view->items->previousPageUrl() }}">Before</a>@endif <span>{{ $view->items->firstItem() }} to {{ $view->items->lastItem() }} of {{ App\Words\Numbers::said($view->items->total()) }}</span> @if ($view->items->nextPageUrl())<a class="button" href="{{ $view->items->nextPageUrl() }}">Next</a>@endif</nav>@endif
            @endif
        </main>
    </div>
</x-layout>

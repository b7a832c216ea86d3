<x-layout :title="$item->title" body="is-item is-writing">
    <x-item-head :item="$item" at="write" :editable="Gate::allows('write', $item)"><x-origin :item="$item" /></x-item-head>
    <main id="main" class="listing data">
        <x-problems />
        <div class="bar-row">
            <form class="entries-find" method="get" action="{{ route('item', $item) }}" role="search"><input class="input" name="find" value="{{ $view->find }}" maxlength="200" placeholder="Find in the records" aria-label="Find in the records"><input type="hidden" name="sort" value="{{ $view->sort }}"><input type="hidden" name="down" value="{{ $view->down ? 1 : 0 }}"><button class="button">Find</button></form>
            <span>{{ trans_choice('{0} no records|{1} one record|[2,*] :count records', $view->records->total(), ['count' => App\Words\Numbers::said($view->records->total())]) }}</span>
            @if ($view->data->has($view->unread))<span>in which “{{ $view->data->name($view->unread) }}” can’t be read; <a href="{{ route('item', $item) }}">show all</a></span>@endif
            @if ($item->source !== null)
                <span class="data-source">@if (! app(App\View\OtherItems::class)->tellsOf($item->source)) {{ __($item->follows() ? 'data.follows_elsewhere' : 'data.from_elsewhere') }} @elseif ($item->follows()) follows <a href="{{ route('item', $item->source) }}">{{ $item->source->title }}</a> @else as <a href="{{ route('item', $item->source) }}">{{ $item->source->title }}</a> stood in {{ $item->source_number }} @endif</span>
            @endif
            @can('write', $item)
                <span class="bar-do">
                    @if ($item->source !== null)
                        <form method="post" action="{{ route('dataset.follow', $item) }}">@csrf @method('put')<input type="hidden" name="follow" value="{{ $item->follows() ? 0 : 1 }}"><button class="button">{{ $item->follows() ? 'Stop following' : 'Follow it…' }}</button></form>
                    @else
                        <a class="button" href="{{ route('item.file', $item) }}">A file as the next version…</a>
                        <a class="button" href="{{ route('record.edit', [$item, 'new']) }}">New record</a>
                    @endif
                </span>
            @endcan
        </div>
        @if ($item->follows())<p class="door-note">What is in it comes from there, with its history. Change it there; calculated fields are added here.</p>@endif
        <div class="entries-table" tabindex="0" role="region" aria-label="The records">
            <table class="versions data-table" data-rows>
                <thead><tr>
                    @foreach ($view->data->fields as $id => $field)
                        <th scope="col" @class(['is-number' => in_array($view->data->type($id), ['number', 'money'], true)]) @if ($view->sort === $id) aria-sort="{{ $view->down ? 'descending' : 'ascending' }}" @endif>
                            <a href="{{ route('item', ['item' => $item, 'sort' => $id, 'down' => $view->sort === $id && ! $view->down ? 1 : 0, 'find' => $view->find]) }}">{{ $field->string('name') }}{{ $view->sort === $id ? ($view->down ? ' ↓' : ' ↑') : '' }}</a>
                            <small>{{ $view->data->isCalculated($id) ? '= '.Str::limit($kind->written($tree, $field, $field->string('expression')), 40) : __("data.types.{$field->string('type')}") }}</small>
                            @if ($view->problem($id) !== null)<small class="data-wrong">{{ $view->problem($id) }}</small>@elseif (($view->data->misfits[$id] ?? 0) > 0)<a class="data-wrong" href="{{ route('item', ['item' => $item, 'unread' => $id]) }}">{{ App\Words\Numbers::said($view->data->misfits[$id]) }} can’t be read as that</a>@endif
                            @can('write', $item)<a class="data-change" href="{{ route('field.edit', [$item, $id]) }}" aria-label="Change the field “{{ $field->string('name') }}”">Change…</a>@endcan
                        </th>
                    @endforeach
                    @can('write', $item)<th class="data-new"><a class="data-change" href="{{ route('field.edit', [$item, 'new']) }}">New field…</a></th>@endcan
                </tr></thead>
                <tbody>
                    @foreach ($view->records as $row)
                        <tr>
                            @foreach ($view->data->fields as $id => $field)<td @class(['is-number' => in_array($view->data->type($id), ['number', 'money'], true), 'data-wrong' => $view->isUnread($row, $id)])>{{ Str::limit($view->value($row, $id), 80) }}</td>@endforeach
                            @can('write', $item)<td class="versions-do">@unless ($item->follows())<a href="{{ route('record.edit', ['item' => $item, 'record' => $ids($row), 'at' => $row]) }}" aria-label="Change record {{ $row + 1 }}">Change</a>@endunless <a href="{{ route('part', [$item, $ids($row)]) }}" aria-label="History of record {{ $row + 1 }}">History</a></td>@endcan
                        </tr>
                    @endforeach
                </tbody>
            </table>
        </div>
        @if ($view->records->isEmpty())<div class="empty"><p>{{ $view->find === '' && $view->unread === '' ? 'No records yet.' : 'No record has that.' }}</p></div>@endif
        @if ($view->records->hasPages())<nav class="pages" aria-label="Pages">@if ($view->records->currentPage() > 1)<a class="button" href="{{ route('item', ['item' => $item, 'sort' => $view->sort, 'down' => $view->down ? 1 : 0, 'find' => $view->find, 'unread' => $view->unread, 'page' => $view->records->currentPage() - 1]) }}">Before</a>@endif <span>{{ $view->records->firstItem() }} to {{ $view->records->lastItem() }} of {{ App\Words\Numbers::said($view->records->total()) }}</span> @if ($view->records->hasMorePages())<a class="button" href="{{ route('item', ['item' => $item, 'sort' => $view->sort, 'down' => $view->down ? 1 : 0, 'find' => $view->find, 'unread' => $view->unread, 'page' => $view->records->currentPage() + 1]) }}">Next</a>@endif</nav>@endif
        @if ($hanging !== [])
            <section class="data-hanging" aria-labelledby="hanging"><h2 id="hanging">Drawn from it</h2><ul>@foreach ($hanging as $one)<li>“{{ $one['widget']->string('title') }}” in <a href="{{ route('item', $one['report']) }}">{{ $one['report']->title }}</a></li>@endforeach</ul></section>
        @endif
    </main>
    <footer class="foot">@include('write.foot')</footer>
</x-layout>

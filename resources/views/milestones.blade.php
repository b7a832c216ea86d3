<x-layout title="Milestones">
    <div class="frame">
        <x-shelves :current="$shelf" at="milestones" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>Milestones</h1><p>{{ $shelf === null ? 'of all that you may see' : 'of “'.$shelf->name.'”' }} · {{ trans_choice('{0} none|{1} one|[2,*] :count', $page->total()) }}</p></div>
            <form class="items-find" method="get" role="search" aria-label="Milestones" action="{{ route('milestones', absolute: false) }}">
                @if ($shelf !== null)<input type="hidden" name="shelf" value="{{ $shelf->key }}">@endif
                <input class="input" type="search" name="q" value="{{ $q }}" maxlength="200" placeholder="Name or note" aria-label="Name or note">
                <div class="select"><select name="kind" aria-label="Kind"><option value="">all kinds</option>@foreach ($kinds as $each)<option value="{{ $each }}" @selected($kind === $each)>{{ __("item.kinds.{$each}") }}</option>@endforeach</select></div>
                <button class="button">Show</button>
                @if ($q !== '' || $kind !== '' || $one !== null)<a href="{{ route('milestones', $shelf === null ? [] : ['shelf' => $shelf->key], false) }}">show all</a>@endif
            </form>
            @if ($one !== null)<p class="notice" role="status">Compare “{{ $one->name }}” of “{{ $one->version->item->title }}” with another one of its milestones.</p>@endif
            @if ($page->isEmpty())
                <div class="empty"><p>No milestone is called so.</p><p>A milestone is a name for a version: mark one on the ribbon of an item, in its list, or for a whole shelf on a day.</p></div>
            @else
                <ul class="milestone-cards">
                    @foreach ($page as $milestone)
                        @php([$version, $item] = [$milestone->version, $milestone->version->item])
                        <li @class(['milestone-card', 'is-one' => $one?->is($milestone)])>
                            <a class="milestone-seen" href="{{ route('history', ['item' => $item, 'from' => $version->number, 'to' => $version->number, 'view' => 'was'], false) }}" aria-label="“{{ $milestone->name }}” of {{ $item->title }}, as it was"><img src="{{ App\View\Miniature::address($item, $version, auth()->user()) }}" alt="" width="300" height="210" loading="lazy"></a>
                            <p><span class="flag"><span>{{ $milestone->name }}</span></span></p>
                            <p><b>{{ $item->title }}</b> {{ $version->number }} of {{ $item->head }}<br><small><x-when :at="$version->saved_at" /> · marked by {{ $milestone->user->firstName() }} · {{ $item->shelf->name }}</small></p>
                            @if ($milestone->note)<p>{{ $milestone->note }}</p>@endif
                            <p class="find-do">
                                @if ($one === null && $counts[$item->id] > 1)<a href="{{ request()->fullUrlWithQuery(['one' => $milestone->id, 'page' => null]) }}" aria-label="Compare “{{ $milestone->name }}” of {{ $item->title }} with…">Compare with…</a>
                                @elseif ($one !== null && ! $one->is($milestone))<a class="is-first" href="{{ route('history', ['item' => $item, 'from' => min($version->number, $one->version->number), 'to' => max($version->number, $one->version->number)], false) }}" aria-label="Compare “{{ $one->name }}” with “{{ $milestone->name }}”">Compare with this</a>@endif
                                <a href="{{ route('history', ['item' => $item, 'from' => $version->number, 'to' => $item->head], false) }}" aria-label="What changed since “{{ $milestone->name }}” of {{ $item->title }}">Changed since</a>
                            </p>
                        </li>
                    @endforeach
                </ul>
                @if ($page->hasPages())<nav class="pages" aria-label="Pages">@if ($page->previousPageUrl())<a class="button" href="{{ $page->previousPageUrl() }}">Newer</a>@endif <span>{{ $page->firstItem() }} to {{ $page->lastItem() }} of {{ App\Words\Numbers::said($page->total()) }}</span> @if ($page->nextPageUrl())<a class="button" href="{{ $page->nextPageUrl() }}">Older</a>@endif</nav>@endif
            @endif
        </main>
    </div>
</x-layout>

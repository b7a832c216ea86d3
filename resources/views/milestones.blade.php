<x-layout :title="__('views/milestones.milestones')">
    <div class="frame">
        <x-shelves :current="$shelf" at="milestones" />
        <main id="main" class="shelf">
            <div class="shelf-head"><h1>{{ __('views/milestones.milestones') }}</h1><p>{{ $shelf === null ? __('views/milestones.of_all_that_you_may_see') : __('views/milestones.of').$shelf->name.'”' }} · {{ trans_choice('views/milestones.none', $page->total()) }}</p></div>
            <form class="items-find" method="get" role="search" aria-label="{{ __('views/milestones.milestones') }}" action="{{ route('milestones', absolute: false) }}">
                @if ($shelf !== null)<input type="hidden" name="shelf" value="{{ $shelf->key }}">@endif
                <input class="input" type="search" name="q" value="{{ $q }}" maxlength="200" placeholder="{{ __('views/milestones.name_or_note') }}" aria-label="{{ __('views/milestones.name_or_note') }}">
                <div class="select"><select name="kind" aria-label="{{ __('views/milestones.kind') }}"><option value="">{{ __('views/milestones.all_kinds') }}</option>@foreach ($kinds as $each)<option value="{{ $each }}" @selected($kind === $each)>{{ __("item.kinds.{$each}") }}</option>@endforeach</select></div>
                <button class="button">{{ __('views/milestones.show') }}</button>
                @if ($q !== '' || $kind !== '' || $one !== null)<a href="{{ route('milestones', $shelf === null ? [] : ['shelf' => $shelf->key], false) }}">{{ __('views/milestones.show_all') }}</a>@endif
            </form>
            @if ($one !== null)<p class="notice" role="status">{{ __('views/milestones.compare_of_with_another_one_of', ['name' => $one->name, 'title' => $one->version->item->title]) }}</p>@endif
            @if ($page->isEmpty())
                <div class="empty"><p>{{ __('views/milestones.no_milestone_is_called_so') }}</p><p>{{ __('views/milestones.a_milestone_is_a_name_for') }}</p></div>
            @else
                <ul class="milestone-cards">
                    @foreach ($page as $milestone)
                        <li @class(['milestone-card', 'is-one' => $one?->is($milestone)])>
                            <a class="milestone-seen" href="{{ route('history', ['item' => $milestone->version->item, 'from' => $milestone->version->number, 'to' => $milestone->version->number, 'view' => 'was'], false) }}" aria-label="{{ __('views/milestones.of_as_it_was', ['name' => $milestone->name, 'title' => $milestone->version->item->title]) }}"><img src="{{ App\View\Miniature::address($milestone->version->item, $milestone->version, auth()->user()) }}" alt="" width="300" height="210" loading="lazy"></a>
                            <p><span class="flag"><span>{{ $milestone->name }}</span></span></p>
                            <p><b>{{ $milestone->version->item->title }}</b> {{ __('views/milestones.of_head', ['number' => $milestone->version->number, 'head' => $milestone->version->item->head]) }}<br><small><x-when :at="$milestone->version->saved_at" /> {{ __('views/milestones.marked_by', ['who' => $milestone->user->firstName(), 'name' => $milestone->version->item->shelf->name]) }}</small></p>
                            @if ($milestone->note)<p>{{ $milestone->note }}</p>@endif
                            <p class="find-do">
                                @if ($one === null && $counts[$milestone->version->item->id] > 1)<a href="{{ request()->fullUrlWithQuery(['one' => $milestone->id, 'page' => null]) }}" aria-label="{{ __('views/milestones.compare_of_with', ['name' => $milestone->name, 'title' => $milestone->version->item->title]) }}">{{ __('views/milestones.compare_with') }}</a>
                                @elseif ($one !== null && ! $one->is($milestone))<a class="is-first" href="{{ route('history', ['item' => $milestone->version->item, 'from' => min($milestone->version->number, $one->version->number), 'to' => max($milestone->version->number, $one->version->number)], false) }}" aria-label="{{ __('views/milestones.compare_with_name', ['name' => $one->name, 'later' => $milestone->name]) }}">{{ __('views/milestones.compare_with_this') }}</a>@endif
                                <a href="{{ route('history', ['item' => $milestone->version->item, 'from' => $milestone->version->number, 'to' => $milestone->version->item->head], false) }}" aria-label="{{ __('views/milestones.what_changed_since_of', ['name' => $milestone->name, 'title' => $milestone->version->item->title]) }}">{{ __('views/milestones.changed_since') }}</a>
                            </p>
                        </li>
                    @endforeach
                </ul>
                @if ($page->hasPages())<nav class="pages" aria-label="{{ __('views/milestones.pages') }}">@if ($page->previousPageUrl())<a class="button" href="{{ $page->previousPageUrl() }}">{{ __('views/milestones.newer') }}</a>@endif <span>{{ __('views/milestones.to_of', ['first_item' => $page->firstItem(), 'last_item' => $page->lastItem(), 'total' => App\Words\Numbers::said($page->total())]) }}</span> @if ($page->nextPageUrl())<a class="button" href="{{ $page->nextPageUrl() }}">{{ __('views/milestones.older') }}</a>@endif</nav>@endif
            @endif
        </main>
    </div>
</x-layout>

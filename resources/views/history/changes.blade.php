<section class="changes" aria-labelledby="changes-name" data-changes>
    <div class="changes-head">
        <h2 id="changes-name">@if ($item->head === 1){{ __('history.only_one') }}@else{{ trans_choice('history.changes', count($listed)) }} @endif @if ($address->by !== [] && ($whose = $editors->whereIn('id', $address->by))->isNotEmpty()) {{ __('views/history.changes.by', ['join' => $whose->map(fn ($editor) => $editor->firstName())->join(', ', __('views/history.changes.and'))]) }} @endif @if ($item->live !== null && $item->live->version->number === $from->number && $to->number === $item->head && $from->number < $to->number) {{ __('views/history.changes.since_it_went_live') }} @elseif ($item->head === 1) @elseif ($from->number === $to->number) {{ __('views/history.changes.in', ['number' => $from->number]) }} @else {{ __('views/history.changes.between', ['number' => $from->number, 'later' => $to->number]) }}@endif</h2>
        <p><x-when :at="$from->saved_at" exact /> → <x-when :at="$to->saved_at" exact />@if ($to->number < $item->head) · {{ trans_choice('history.since', $item->head - $to->number) }}@endif
            @if ($publishing !== null) · <a href="{{ route('publish', [$item, $to->number]) }}">{{ $publishing }} {{ $to->number }}…</a>@endif</p>
        @if ($address->view === 'changed')
            <span class="stepper" data-stepper hidden><span data-step-count></span> <button type="button" data-step="-1" aria-label="{{ __('views/history.changes.change_before_p') }}" title="{{ __('views/history.changes.change_before_p') }}">‹</button><button type="button" data-step="1" aria-label="{{ __('views/history.changes.next_change_n') }}" title="{{ __('views/history.changes.next_change_n') }}">›</button></span>
        @endif
        @if ($editors->isNotEmpty())
            <p class="pills" role="group" aria-label="{{ __('views/history.changes.show_changes_by') }}">
                @foreach ($editors as $editor)
                    <a class="pill" href="{{ $address->toggled($editor->id) }}" data-swap @if (in_array($editor->id, $address->by, true)) aria-current="true" @endif title="{{ in_array($editor->id, $address->by, true) ? __('views/history.changes.show_everybodys_changes_too') : __('views/history.changes.show_only_changes_by').$editor->name }}"><x-monogram :user="$editor" /> {{ count(array_filter($comparison->entries, fn ($entry) => $entry->by($editor))) }}</a>
                @endforeach
                @if ($address->by !== []) <a class="pill-all" href="{{ $address->with(['by' => []]) }}" data-swap>{{ __('views/history.changes.everybody') }}</a> @endif
                @if (count($address->by) === 1 && $from->number !== $to->number && $editors->contains('id', $address->by[0]))
                    @can('restore', $item)<a class="pill-all" href="{{ route('take-out', ['item' => $item, 'from' => $from->number, 'to' => $to->number, 'by' => $address->by[0]]) }}">{{ __('views/history.changes.take_s_out', ['who' => $editors->firstWhere('id', $address->by[0])->firstName()]) }}</a>@endcan
                @endif
            </p>
        @endif
    </div>
    @if ($address->view === 'changed')<p class="print-legend">{{ __('history.on_paper') }} @if ($editors->isNotEmpty()){{ __('history.on_paper_who', ['people' => $editors->map(fn ($editor) => $editor->monogram().' '.$editor->name)->join(', ')]) }}@endif</p>@endif
    @if ($together->isNotEmpty())
        <div class="note"><b>{{ __($to->cause === App\Models\Cause::TookBack ? 'report.back_together' : 'report.together') }}</b> @foreach ($together as $other)@can('view', $other->item)<a href="{{ route('history', ['item' => $other->item, 'from' => max(1, $other->number - 1), 'to' => $other->number]) }}">{{ $other->item->title }} {{ $other->number }}</a> @endcan @endforeach</div>
    @endif
    @if ($wish !== null && $item->sight === null || $wish?->version->number === $to->number)
        @include('publish.wish')
    @endif
    @if ($unusual !== null)
        <div class="note is-unusual"><b>{{ $unusual }}</b> <small>{{ __('views/history.changes.in_by', ['number' => $to->number, 'who' => $to->user->firstName()]) }}</small><x-unusual :version="$to" /></div>
    @endif
    <ol class="entries" data-entries>
        @foreach (array_slice($listed, 0, App\View\Comparison::MOST_LISTED) as $at => $entry)
                <li>
                    <a class="entry @if ($entry->editors !== []) by-{{ $entry->editors[0]->colour }} @elseif ($entry->statement->isConsequence()) is-consequence @endif" href="{{ $leads[$entry->part()] ?? '' }}#part-{{ $entry->part() }}" data-entry="{{ $entry->part() }}" @if (isset($leads[$entry->part()])) data-swap data-elsewhere @endif>
                        <span class="entry-sign" aria-hidden="true">{{ $entry->sign() }}</span>
                        <span class="entry-text">{{ $entry->sentence }}@isset($asides[$at]) <span class="out-of-sight">{{ $asides[$at] }}</span>@endisset
                            <small>@foreach ($entry->editors as $editor){{ $editor->firstName() }}@if (! $loop->last), @endif @endforeach {{ $entry->versions() }}@if ($entry->at), <x-when :at="$entry->at" />@endif @if ($entry->place())· {{ $entry->place() }}@endif</small>
                        </span>
                    </a>
                    @if ($back !== null && $entry->statement->type === MistyAttic\Core\Compare\Changes\ChangeType::Removed)<a class="entry-back" href="{{ $back }}?parts={{ implode(',', $entry->statement->cells ?? $entry->statement->ids) }}" aria-label="{{ __('history.bring_it_back') }}: {{ $entry->sentence }}">{{ __('history.bring_it_back') }}</a>@endif
                    @if ($parts)<a class="entry-history" href="{{ $entry->story($item) }}" title="{{ __('history.its_history') }}"><x-glyph name="history" /><span class="is-sr-only">{{ __('history.its_history') }}: {{ $entry->sentence }}</span></a>@endif
                </li>
        @endforeach
        @if (count($listed) > App\View\Comparison::MOST_LISTED)<li class="data-moved">{{ __('views/history.changes.and_more_all_of_them_are', ['more' => App\Words\Numbers::said(count($listed) - App\View\Comparison::MOST_LISTED)]) }} <a href="{{ route('comparison', [$item, $from->number, $to->number, 'xlsx']) }}">{{ __('views/history.changes.the_comparison_to_take_along') }}</a></li>@endif
        @if (($compared ?? null) !== null && $compared->because !== [])
                <li class="data-moved">{{ __('views/history.changes.and_because_the_data_changed') }}</li>
                @foreach ($compared->because as $moved)
                    <li><a class="entry is-consequence" href="#part-{{ $moved['widget']->part->id }}" data-entry="{{ $moved['widget']->part->id }}"><span class="entry-sign" aria-hidden="true">∿</span><span class="entry-text">{{ $moved['sentence'] }}</span></a>
                        @if ($moved['old']->version !== null && $moved['widget']->version !== null && $item->sight === null && Gate::allows('view', $moved['widget']->dataset))<small class="entry-source"><a href="{{ route('history', ['item' => $moved['widget']->dataset, 'from' => $moved['old']->version->number, 'to' => $moved['widget']->version->number]) }}">{{ __('views/history.changes.2_see_that_comparison', ['title' => $moved['widget']->dataset->title, 'number' => $moved['old']->version->number, 'later' => $moved['widget']->version->number]) }}</a></small>@endif
                    </li>
                @endforeach
        @endif
    </ol>
    @if ($cameAndWent->parts !== [])
        <details class="came-and-went" @if ($from->number === 1) open @endif>
            <summary>{{ trans_choice('history.came_and_went', count($cameAndWent->parts)) }}</summary>
            <ol class="entries">
                @foreach (array_slice($cameAndWent->parts, -App\View\CameAndWent::LISTED) as $one)
                    <li class="came-went @if ($one['out'] !== null) by-{{ $one['out']->colour }} @endif">
                        <a class="entry" href="{{ App\View\HistoryAddress::at($item, $one['from'], $one['gone'], $one['part']) }}"><span class="entry-sign" aria-hidden="true">±</span><span class="entry-text">“{{ $one['text'] }}” <small>{{ __('history.came_and_went_by', ['by' => (string) $one['by']?->firstName(), 'from' => (string) $one['from'], 'out' => (string) $one['out']?->firstName(), 'gone' => (string) $one['gone']]) }}</small></span></a>
                        @can('restore', $item)<a class="came-back" href="{{ route('restore', [$item, $one['from'], 'part' => $one['part']]) }}">{{ __('history.bring_this_back') }}<span class="is-sr-only">: “{{ $one['text'] }}”</span></a>@endcan
                    </li>
                @endforeach
            </ol>
            @if (count($cameAndWent->parts) > App\View\CameAndWent::LISTED)<p class="changes-none">{{ __('history.came_and_went_more', ['count' => (string) (count($cameAndWent->parts) - App\View\CameAndWent::LISTED)]) }}</p>@endif
        </details>
    @endif
    @if ($comparison->entries === [])
        <p class="changes-none">{{ __(match (true) { $item->head === 1 => 'history.only_one_note', $from->number === $to->number => 'history.one_end', default => 'history.same_at_both' }) }}</p>
    @endif
    @if ($comparison->coarse)
        <p class="changes-none">{{ __('views/history.changes.so_many_versions_lie_between_that') }}</p>
    @endif
</section>

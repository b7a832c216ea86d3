<x-layout :kind="$item->kind" :title="__('views/plan-seen.how_will_be', ['title' => $item->title])" body="is-item is-history">
    <x-item-head :item="$item" at="history">{{ __('views/plan-seen.how_it_will_be_nothing_is') }}</x-item-head>
    <main id="main" class="past is-publish" data-seen-plan="{{ $door['seen'] }}">
        <section class="changes" aria-labelledby="changes-name" data-changes>
            <div class="changes-head">
                <h2 id="changes-name">{{ trans_choice('history.will_change', count($comparison->entries)) }}</h2>
                <p>{{ $door['said'] }}</p>
                <span class="stepper" data-stepper hidden><span data-step-count></span> <button type="button" data-step="-1" aria-label="{{ __('views/plan-seen.change_before_p') }}" title="{{ __('views/plan-seen.change_before_p') }}">‹</button><button type="button" data-step="1" aria-label="{{ __('views/plan-seen.next_change_n') }}" title="{{ __('views/plan-seen.next_change_n') }}">›</button></span>
            </div>
            <div class="publish-form">
                @if ($door['note'] !== null)<p class="door-note">{{ $door['note'] }}</p>@endif
                <form method="post" action="{{ $door['store'] }}">
                    @csrf
                    @foreach ($door['hidden'] as [$name, $value])<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach
                    <div class="wish-do"><button class="button is-dark" autofocus>{{ $door['do'] }}</button><a class="button" href="{{ $door['plan'] }}">{{ __('views/plan-seen.back_to_the_plan') }}</a></div>
                </form>
            </div>
            <ol class="entries" data-entries>
                @foreach (array_slice($comparison->entries, 0, App\View\Comparison::MOST_LISTED) as $entry)
                    <li><a @class(['entry', 'is-consequence' => $entry->statement->isConsequence()]) href="{{ $leads[$entry->part()] ?? '' }}#part-{{ $entry->part() }}" @if (isset($leads[$entry->part()])) data-elsewhere @endif data-entry="{{ $entry->part() }}"><span class="entry-sign" aria-hidden="true">{{ $entry->sign() }}</span><span class="entry-text">{{ $entry->sentence }}@if ($entry->place()) <small>{{ $entry->place() }}</small>@endif</span></a></li>
                @endforeach
                @if (count($comparison->entries) > App\View\Comparison::MOST_LISTED)<li class="data-moved">{{ trans_choice('history.listed_more', count($comparison->entries) - App\View\Comparison::MOST_LISTED) }}</li>@endif
            </ol>
            @if ($comparison->entries === [])<p class="changes-none">{{ __('views/plan-seen.it_will_be_as_it_is') }}</p>@endif
        </section>
        <section class="past-state" aria-label="{{ __('views/plan-seen.the_as_it_will_be', ['kind' => $item->kind]) }}">
            @include($past::VIEW)
        </section>
    </main>
</x-layout>

<x-layout :kind="$item->kind" :title="($address->view === 'was' ? $from->number : $from->number.__('views/history.to').$to->number).' · '.$item->title" body="is-item is-history">
    <x-item-head :item="$item" at="history">
        {{ __('views/history.newest_is_saved', ['head' => $item->head]) }} <x-when :at="$item->changed_at" />
    </x-item-head>
    <svg class="is-sr-only" aria-hidden="true"><symbol id="glyph-history" viewBox="0 0 24 24"><path d="M3 18h18M7 18v-6M12 18V7M17 18v-4"/></symbol></svg>
    <main id="main" class="past" @can('draft', $item) data-histories="{{ route('item', $item, false) }}/parts" @endcan data-history="{{ json_encode(['from' => $from->number, 'to' => $to->number, 'head' => $item->head, 'title' => $item->title, 'moments' => array_map(fn ($end) => $end->saved_at->toIso8601ZuluString(), $address->view === 'was' ? [$from] : [$from, $to]), 'spots' => $spots, 'only' => $address->only, 'by' => $address->by, 'url' => $address->with(['from' => 0, 'to' => 0]), 'ribbon' => route('ribbon', $item), 'line' => route('line', [$item, 0])]) }}">
        <a class="skip" href="#past">{{ __('history.to_past') }}</a>
        <a class="skip" href="#ribbon">{{ __('views/history.to_the_ribbon') }}</a>
        @include('history.changes')
        <section class="past-state" id="past" tabindex="-1" @isset($readOf) data-read-of="{{ $readOf }}" @endisset aria-label="{{ __('views/history.the', ['kind' => $item->kind]) }}">
            @include('history.bar')
            <x-problems />
            @if ($item->form !== null)<x-kept-not :form="$item->form" />@endif
            @include($past::VIEW)
            @includeWhen($slips !== null, 'talk.slips', $slips ?? [])
            @if ($item->sight === null)
                <div class="chosen-bar" data-chosen hidden>
                    <span role="status" data-chosen-count></span>
                    @can('restore', $item)<a class="button is-dark" data-chosen-to="{{ route('restore', [$item, $from->number], false) }}">{{ __('views/history.bring_these_back') }}</a>@endcan
                    @can('comment', $item)<a class="button" data-chosen-to="{{ route('talk', $item, false) }}">{{ __('talk.comment') }}…</a>@endcan
                    <button type="button" class="button" data-chosen-copy>{{ __('views/history.copy') }}</button>
                    @if ($item->form_id === null)<a class="button" data-chosen-to="{{ route('copy', [$item, $from->number], false) }}">{{ __('views/history.copy_out') }}</a>@endif
                    <button type="button" class="button is-quiet" data-chosen-done>{{ __('views/history.done') }}</button>
                </div>
            @endif
        </section>
        @include('history.ribbon')
    </main>
</x-layout>

<x-layout :kind="$item->kind" :title="__('proposing.title', ['title' => $item->title])" body="is-item">
    <x-item-head :item="$item" at="proposals" />
    <main id="main" class="listing">
        <x-problems />
        <div class="empty">
            <p>{{ $open->at === null ? __('proposing.none') : __('proposing.none_then', ['number' => (string) $open->at]) }} @can('propose', $item){{ __('proposing.none_how') }}@endcan</p>
            @can('propose', $item)<form method="post" action="{{ route('proposals.begin', $item) }}">@csrf<button class="button is-dark">{{ __('proposing.begin') }}</button></form>@endcan
        </div>
        @includeWhen($answered !== null, 'proposals-past')
            @includeWhen($copies !== null, 'proposals-copies')
            @includeWhen($copies !== null, 'proposals-links')
    </main>
</x-layout>

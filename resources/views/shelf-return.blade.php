<x-layout :title="__('views/shelf-return.bring_items_of_back', ['name' => $shelf->name])" body="is-item">
    <main id="main" class="plan" data-shelf-plan>
        <h1>{{ __('views/shelf-return.bring_of_back', ['items' => trans_choice('views/shelf-return.one_item', count($plan->items)), 'name' => $shelf->name]) }}</h1>
        <p class="plan-lead">{{ __('views/shelf-return.to_how_they_stood_on') }} <x-when :at="$plan->moment" exact />{{ __('views/shelf-return.nothing_is_overwritten_each_gets_a') }}@if ($left > 0) <b>{{ __('views/shelf-return.at_most_are_brought_back_together', ['m_o_s_t' => App\View\Plans\ShelfPlan::MOST, 'left' => $left]) }}</b>@endif</p>
        <x-problems />
        @foreach ($plan->items as $key => $one)
            <section class="plan-data" aria-labelledby="of-{{ $key }}" data-of>
                <input type="hidden" name="of[{{ $key }}][seen]" value="{{ $one['seen'] }}" form="return"><input type="hidden" name="of[{{ $key }}][lost]" value="{{ $one['isLost'] ? 1 : 0 }}" form="return">
                <h2 id="of-{{ $key }}"><label><input type="checkbox" name="of[{{ $key }}][on]" value="1" form="return" data-of-item @checked($one['refused'] === null) @disabled($one['refused'] !== null)> “{{ $one['then']->title ?? $one['item']->title }}”</label>
                    <span>@if ($one['then'] === null) {{ __('views/shelf-return.made_since_goes_to_lost_found') }} @elseif ($one['isLost']) {{ __('views/shelf-return.comes_back_from_lost_found_as', ['number' => $one['then']->number]) }} @else {{ __('views/shelf-return.back_to_from', ['number' => $one['then']->number, 'head' => $one['item']->head]) }} @endif</span></h2>
                @if ($one['refused'] !== null)<p class="notice">{{ $one['refused'] }}</p>@endif
                @if ($one['then'] !== null && $one['item']->isPublishable() && $one['item']->live_id !== null)<p>{{ __('views/shelf-return.it_becomes_a_draft_readers_go') }}</p>@endif
                @if ($one['item']->follows())<p>{{ __('views/shelf-return.its_records_come_from_another_item') }}</p>@endif
                @if ($one['then'] !== null && $one['then']->title !== '' && $one['then']->title !== $one['item']->title)<p>{{ __('views/shelf-return.it_is_called_now_with_all', ['title' => $one['item']->title]) }}</p>@endif
                @if (($lines = $plan->lines($key)) !== [])
                    <ul data-column="data">
                        @foreach ($lines as $at => $entry)
                            <li class="plan-line"><label><input type="checkbox" name="of[{{ $key }}][pick][]" value="{{ $at }}" form="return" data-of-line @checked($one['refused'] === null) @disabled($one['refused'] !== null)>@foreach ($entry->editors as $editor)<x-monogram :user="$editor" aria-hidden="true" />@endforeach
                                <span class="plan-what">{{ isset($one['plan']->goesAway[$at]) ? __('views/shelf-return.goes_away') : __('views/shelf-return.comes_back') }}{{ $entry->plan() }} <small>{{ $entry->planned() }}@if ($entry->at), <x-when :at="$entry->at" />@endif</small></span></label></li>
                        @endforeach
                    </ul>
                    @if ($plan->more($key) > 0)<p>{{ __('views/shelf-return.and_more_which_come_with_it', ['key' => App\Words\Numbers::said($plan->more($key))]) }} <a href="{{ route('restore', [$one['item'], $one['then']->number]) }}">{{ __('views/shelf-return.a_restore_of_it_alone') }}</a> {{ __('views/shelf-return.has_them_all') }}</p>@endif
                    <p class="plan-none">{{ trans_choice('views/shelf-return.nothing_stays_as_it_is', count($one['plan']->stays), ['what' => collect(array_slice($one['plan']->stays, 0, 3))->map(fn ($count, $noun) => trans_choice("changes.inner.{$noun}", $count))->join(', ')]) }}</p>
                @endif
            </section>
        @endforeach
    </main>
    <footer class="plan-foot">
        <a class="button" href="{{ route('day', [$shelf, 'at' => App\Words\Clock::stamp($plan->moment)]) }}">{{ __('views/shelf-return.cancel') }}</a>
        <span aria-live="polite" data-of-count>{{ trans_choice('views/shelf-return.one_item', count($plan->items)) }}</span>
        <form id="return" method="post" action="{{ route('day.back.store', $shelf) }}">@csrf<input type="hidden" name="at" value="{{ App\Words\Clock::stamp($plan->moment) }}"><button class="button is-dark" data-of-go>{{ __('views/shelf-return.bring_them_back') }}</button></form>
    </footer>
</x-layout>

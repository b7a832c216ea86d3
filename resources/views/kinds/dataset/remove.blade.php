<x-layout :title="__('views/kinds/dataset.remove.remove_a_field_of', ['title' => $item->title])" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet is-wide data-hangs">
            <h1>{{ __('views/kinds/dataset.remove.remove_from', ['string' => $field->string('name'), 'title' => $item->title]) }}</h1>
            <p class="door-note">{{ __('views/kinds/dataset.remove.it_stays_in_the_history_and', ['values' => $field->string('expression') !== '' ? __('views/kinds/dataset.remove.it_is_calculated_so_no_value') : trans_choice('views/kinds/dataset.remove.no_record_has_a_value_there', $values, ['count' => App\Words\Numbers::said($values)])]) }}</p>
            <x-problems />
            @if ($calculated !== [])<h2>{{ __('views/kinds/dataset.remove.calculated_from_it') }}</h2><ul>@foreach ($calculated as $other)<li>“{{ $other->string('name') }}”</li>@endforeach</ul>@endif
            @if ($widgets !== [])<h2>{{ __('views/kinds/dataset.remove.drawn_from_it') }}</h2><ul>@foreach ($widgets as $one)<li>{{ __('views/kinds/dataset.remove.in', ['string' => $one['widget']->string('title')]) }} <a href="{{ route('item', $one['report']) }}">{{ $one['report']->title }}</a></li>@endforeach</ul>@endif
            @if ($calculated === [] && $widgets === [])<p>{{ __('views/kinds/dataset.remove.nothing_that_you_may_see_hangs') }}</p>@else<p><b>{{ __('views/kinds/dataset.remove.these_stop_working') }}</b> {{ __('views/kinds/dataset.remove.until_it_is_back_or_until') }}</p>@endif
            <form class="dialog-do" method="post" action="{{ route('field.remove', [$item, $field->id]) }}">@csrf @method('delete')<input type="hidden" name="base" value="{{ $item->root }}"><a class="button" href="{{ route('item', $item) }}">{{ __('views/kinds/dataset.remove.cancel') }}</a><button class="button is-dark">{{ __('views/kinds/dataset.remove.remove_it') }}</button></form>
        </div>
    </main>
</x-layout>

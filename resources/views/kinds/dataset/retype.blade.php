<x-layout :title="__('views/kinds/dataset.retype.make_a_field_of_another_type', ['title' => $item->title])" body="is-plain">
    <main id="main" class="door">
        <form class="door-sheet is-wide data-hangs" method="post" action="{{ route('field.save', [$item, $field->id]) }}">
            @csrf @method('put')<input type="hidden" name="sure" value="1">
            @foreach ($sent as $name => $value)<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach
            <h1>{{ __('views/kinds/dataset.retype.make', ['string' => $field->string('name'), 'type' => __("data.as.{$type->type}")]) }}</h1>
            <p class="door-note">{{ __('views/kinds/dataset.retype.it_is_and', ['string' => __("data.as.{$field->string('type')}"), 'values' => trans_choice('views/kinds/dataset.retype.one_record_has_a_value_there', $values, ['count' => App\Words\Numbers::said($values)]), 'kept' => $ways?->differ() ? __('views/kinds/dataset.retype.what_cant_be_read_stays_as') : (in_array($type->type, ['text', 'choice'], true) ? __('views/kinds/dataset.retype.each_stays_as_it_is_written') : ($left === 0 ? __('views/kinds/dataset.retype.all_of_them_can_be_read') : trans_choice('data.left_unread', $left, ['count' => App\Words\Numbers::said($left), 'kept' => implode(', ', array_map(fn (string $text) => '“'.Str::limit($text, 30).'”', $kept)).($left > count($kept) ? __('views/kinds/dataset.retype.and_others') : '')])))]) }}</p>
            <x-problems />
            @if ($ways?->differ())<fieldset class="data-ways"><legend>{{ __($ways->setting === 'days' ? 'views/kinds/dataset.retype.how_are_its_days_written' : 'views/kinds/dataset.retype.how_are_its_numbers_written') }}</legend>@include('kinds.dataset.ways', ['ways' => $ways, 'name' => $ways->setting])</fieldset>@endif
            @if ($calculated !== [])<h2>{{ __('views/kinds/dataset.retype.calculated_from_it') }}</h2><ul>@foreach ($calculated as $other)<li>“{{ $other->string('name') }}”</li>@endforeach</ul>@endif
            @if ($widgets !== [])<h2>{{ __('views/kinds/dataset.retype.drawn_from_it') }}</h2><ul>@foreach ($widgets as $one)<li>{{ __('views/kinds/dataset.retype.in', ['string' => $one['widget']->string('title')]) }} <a href="{{ route('item', $one['report']) }}">{{ $one['report']->title }}</a></li>@endforeach</ul>@endif
            @if ($calculated !== [] || $widgets !== [])<p>{{ __('views/kinds/dataset.retype.these_go_by_what_the_field') }}</p>@else<p>{{ __('views/kinds/dataset.retype.nothing_that_you_may_see_hangs') }}</p>@endif
            <div class="dialog-do"><a class="button" href="{{ route('item', $item) }}">{{ __('views/kinds/dataset.retype.cancel') }}</a><button class="button is-dark">{{ __('views/kinds/dataset.retype.make_it', ['type' => __("data.as.{$type->type}")]) }}</button></div>
        </form>
    </main>
</x-layout>

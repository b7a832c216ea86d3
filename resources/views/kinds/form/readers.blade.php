<p>{{ __('views/kinds/form.readers.those_on_the_shelf_and_those') }} <a href="{{ route('answer', $item) }}">{{ route('answer', $item, false) }}</a>.</p>

@if (($back ?? null) !== null && $block->removed())<a class="block-back" href="{{ $back }}?parts={{ $block->id() }}">{{ __('history.bring_it_back') }}</a>@endif

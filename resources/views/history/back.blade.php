@if (($back ?? null) !== null)<a class="block-back" href="{{ $back }}?parts={{ $block->id() }}">{{ __('history.bring_it_back') }}</a>@endif

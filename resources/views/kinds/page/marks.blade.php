@if ($named)
    @if ($block->editors !== [])<span class="block-who">@foreach ($block->editors as $editor)<x-monogram :user="$editor" />@endforeach</span>@endif
    @if ($block->note !== null)<span class="block-note">{{ $block->note }}</span>@elseif ($block->added())<span class="block-note">{{ __('views/kinds/page.marks.new') }}</span>@elseif ($block->removed())<span class="block-note">{{ __('views/kinds/page.marks.removed') }}</span>@endif
    @if ($parts)<a class="block-history" href="{{ $parts }}/{{ $block->id() }}" tabindex="-1" title="{{ $itsHistory }}" aria-hidden="true"><svg class="glyph" viewBox="0 0 24 24" focusable="false"><use href="#glyph-history"/></svg></a>@endif
    @includeWhen($block->removed(), 'history.back')
@endif

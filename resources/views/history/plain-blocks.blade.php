@foreach ($blocks as $block)
<div class="{{ $block->classes($address) }} is-plain-part" @if ($side !== 'old' || $block->removed()) id="part-{{ $block->id() }}" @endif data-part="{{ $block->id() }}">
    @if ($block->editors !== [] && $side !== 'old')
        <span class="block-who">@foreach ($block->editors as $editor)<x-monogram :user="$editor" />@endforeach</span>
    @endif
    @if ($block->note !== null && $side !== 'old')<span class="block-note">{{ $block->note }}</span>@endif
    @if ($parts && $side !== 'old')<a class="block-history" href="{{ $parts }}/{{ $block->id() }}" tabindex="-1" title="{{ $itsHistory }}" aria-hidden="true"><svg class="glyph" viewBox="0 0 24 24" focusable="false"><use href="#glyph-history"/></svg></a>@endif
    @includeWhen($side !== 'old' && $block->removed(), 'history.back')
    @if ($block->spans !== [])<p class="block-text" data-part-text>{{ $block->text($side, $address) }}</p>@endif
    @if ($block->settings($side) !== [])
        <dl class="part-settings">@foreach ($block->settings($side) as $name => [$was, $is])<div><dt>{{ App\View\Desks\PartFields::said($name) }}</dt><dd>@if ($was !== null)<del>{{ $was === '' ? '–' : $was }}</del> <ins>{{ $is === '' ? '–' : $is }}</ins>@else{{ $is === '' ? '–' : $is }}@endif</dd></div>@endforeach</dl>
    @endif
    @includeWhen($block->children !== [], 'history.plain-blocks', ['blocks' => array_filter($block->children, fn ($child) => $child->isOn($side))])
</div>
@endforeach

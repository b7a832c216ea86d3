@foreach ($blocks as $block)
@if ($block->role() === 'bytes')
    @if ($block->changed() && $block->settings($side) !== [])
        <dl class="part-settings file-facts" @if ($side !== 'old' || $block->removed()) id="part-{{ $block->id() }}" @endif data-part="{{ $block->id() }}">@foreach (array_filter($block->settings($side), fn (array $each) => $each[0] !== null) as $name => [$was, $is])<div><dt>{{ __("changes.fields.{$name}") }}</dt><dd><del>{{ $was === '' ? '–' : $was }}</del> <ins>{{ $is === '' ? '–' : $is }}</ins></dd></div>@endforeach</dl>
    @endif
@elseif ($block->role() === 'page')
    <h2 class="file-page {{ $block->classes($address) }}" @if ($side !== 'old' || $block->removed()) id="part-{{ $block->id() }}" @endif data-part="{{ $block->id() }}">{{ $block->part()->string('title') }}</h2>
@else
    <div class="{{ $block->classes($address) }}" @if ($side !== 'old' || $block->removed()) id="part-{{ $block->id() }}" @endif data-part="{{ $block->id() }}">
        @if ($block->editors !== [] && $side !== 'old')<span class="block-who">@foreach ($block->editors as $editor)<x-monogram :user="$editor" />@endforeach</span>@endif
        @if ($block->note !== null && $side !== 'old')<span class="block-note">{{ $block->note }}</span>@endif
        @if ($parts && $side !== 'old')<a class="block-history" href="{{ $parts }}/{{ $block->id() }}" tabindex="-1" title="{{ $itsHistory }}" aria-hidden="true"><svg class="glyph" viewBox="0 0 24 24" focusable="false"><use href="#glyph-history"/></svg></a>@endif
        <code class="block-text" data-part-text>{{ $block->text($side, $address) }}</code>
    </div>
@endif
@endforeach

<div class="{{ $block->classes($address) }}" @if ($named) id="part-{{ $block->id() }}" @endif data-part="{{ $block->id() }}">
    @include('kinds.page.marks')
    @switch($block->role())
        @case('heading')
            <div role="heading" aria-level="{{ $block->part()->int('level') + 1 }}" class="level-{{ $block->part()->int('level') + 1 }}" data-part-text>{{ $block->text($side, $address) }}</div>
            @break
        @case('rich_text')
            @if ($block->part()->string('style') !== 'plain')<span class="item-mark" aria-hidden="true">{{ $block->marker() }}</span>@endif<span class="block-text" data-part-text>{{ $block->text($side, $address) }}</span>
            @break
        @case('call_out')
            <aside class="{{ $block->part()->string('tone') }}" data-part-text>{{ $block->text($side, $address) }}</aside>
            @break
        @case('picture')
            <figure>
                @if ($side === 'both' && $block->marked->before !== null && $block->marked->before->string('chunk') !== $block->part()->string('chunk'))
                    @include('kinds.page.pictures', ['was' => $block->marked->before, 'is' => $block->part()])
                @else
                    <img src="{{ route('picture', [$item, $block->setting('chunk', $side)[1]]) }}" alt="{{ $block->setting('alt', $side)[1] }}" @if ($block->part()->int('width') > 0) width="{{ $block->part()->int('width') }}" height="{{ $block->part()->int('height') }}" @endif loading="lazy">
                @endif
                <figcaption>@include('kinds.page.setting', ['field' => 'caption'])@if ($block->setting('alt', $side)[0] !== null)<small class="page-alt">{{ __('views/kinds/page.block.described_as') }} @include('kinds.page.setting', ['field' => 'alt'])</small>@endif</figcaption>
            </figure>
            @break
        @case('button')
            <p class="button"><a>@include('kinds.page.setting', ['field' => 'label'])</a>@if ($block->setting('target', $side)[0] !== null)<small class="page-alt">{{ __('views/kinds/page.block.leads_to') }} @include('kinds.page.setting', ['field' => 'target'])</small>@endif</p>
            @break
        @case('figure')
            <p class="figure">@include('kinds.page.setting', ['field' => 'label']) <small class="page-alt">{{ __('views/kinds/page.block.from') }} @include('kinds.page.setting', ['field' => 'source'])</small></p>
            @break
        @case('links')
            <div class="nav">
                @if ($block->setting('title', 'both')[0] !== null || $block->setting('title', $side)[1] !== '')<strong>@include('kinds.page.setting', ['field' => 'title'])</strong>@endif
                <ul>@foreach ($block->pairs('labels', 'targets', $side) as [$label, $target, $state])<li class="was-{{ $state }}"><span title="{{ $target }}">{{ $label === '' ? $target : $label }}</span>@if ($state !== 'same') <small class="page-alt">{{ $target }}</small>@endif</li>@endforeach</ul>
            </div>
            @break
        @case('hours')
            <table class="hours">
                @if ($block->setting('title', 'both')[0] !== null || $block->setting('title', $side)[1] !== '')<caption>@include('kinds.page.setting', ['field' => 'title'])</caption>@endif
                <tbody>@foreach ($block->pairs('days', 'times', $side) as [$day, $time, $state])<tr class="was-{{ $state }}"><th scope="row">{{ $day }}</th><td>{{ $time }}</td></tr>@endforeach</tbody>
            </table>
            @break
        @case('contact')
            <address><strong>@include('kinds.page.setting', ['field' => 'name'])</strong>@foreach ($block->pairs('lines', '', $side) as [$line, , $state])<span class="was-{{ $state }}">{{ $line }}</span>@endforeach</address>
            @break
        @case('divider')
            <hr>
            @break
    @endswitch
</div>

@foreach ($blocks as $block)
<div class="{{ $block->classes($address) }}" @if ($side !== 'old') id="part-{{ $block->id() }}" @elseif ($block->removed()) id="part-{{ $block->id() }}" @endif data-part="{{ $block->id() }}" @if ($block->role() === 'heading') role="heading" aria-level="{{ $block->part()->int('level') + 1 }}" @endif>
    @if ($block->editors !== [] && $side !== 'old')
        <span class="block-who">@foreach ($block->editors as $editor)<x-monogram :user="$editor" />@endforeach</span>
    @endif
    @if ($block->note !== null && $side !== 'old')<span class="block-note">{{ $block->note }}</span>@endif
    @if ($parts && $side !== 'old' && $block->role() !== 'rule')<a class="block-history" href="{{ $parts }}/{{ $block->id() }}" tabindex="-1" title="{{ $itsHistory }}" aria-hidden="true"><svg class="glyph" viewBox="0 0 24 24" focusable="false"><use href="#glyph-history"/></svg></a>@endif
    @includeWhen($side !== 'old' && $block->removed(), 'history.back')
    @switch($block->role())
        @case('rule')
            <hr>
            @break
        @case('picture')
            <img src="{{ route('picture', [$item, $block->part()->string('chunk')]) }}" alt="{{ $block->part()->string('alt') }}" width="{{ $block->part()->int('width') }}" height="{{ $block->part()->int('height') }}" loading="lazy">
            @break
        @case('table')
            <table>
                <tbody>
                    @foreach ($block->children as $row)
                        @continue(($side === 'old' && $row->added()) || ($side === 'new' && $row->removed()))
                        <tr class="{{ $row->classes($address) }}" data-part="{{ $row->id() }}" @if ($side !== 'old' || $row->removed()) id="part-{{ $row->id() }}" @endif>
                            @foreach ($row->children as $cell)
                                @continue(($side === 'old' && $cell->added()) || ($side === 'new' && $cell->removed()))
                                @if ($cell->part()->fields['head'] ?? false)
                                    <th class="{{ $cell->classes($address) }}" @if ($side !== 'old' || $cell->removed()) id="part-{{ $cell->id() }}" @endif>{{ $cell->text($side, $address) }}</th>
                                @else
                                    <td class="{{ $cell->classes($address) }}" @if ($side !== 'old' || $cell->removed()) id="part-{{ $cell->id() }}" @endif>{{ $cell->text($side, $address) }}</td>
                                @endif
                            @endforeach
                        </tr>
                    @endforeach
                </tbody>
            </table>
            @break
        @default
            @if ($block->role() === 'item')<span class="item-mark" aria-hidden="true">{{ $block->marker() }}</span>@endif
            <span class="block-text" data-part-text>{{ $block->text($side, $address) }}</span>
    @endswitch
</div>
@endforeach

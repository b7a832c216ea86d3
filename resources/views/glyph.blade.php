<svg class="glyph glyph-{{ $name }}" viewBox="0 0 24 24" aria-hidden="true" focusable="false">
@switch($name)
    @case('mark')
        <path class="gable" d="M3 20V9.5L12 3l9 6.5V20"/><path class="mist" d="M7 14h8"/><path class="mist is-lit" d="M9 18h9"/>
        @break
    @case('undo')
        <path d="M8 5 4 9l4 4M4 9h9a6 6 0 0 1 0 12h-3"/>
        @break
    @case('redo')
        <path d="m16 5 4 4-4 4M20 9h-9a6 6 0 0 0 0 12h3"/>
        @break
    @case('flag')
        <path d="M5 22V3h14l-4 4.5 4 4.5H5"/>
        @break
    @case('history')
        <path d="M3 18h18M7 18v-6M12 18V7M17 18v-4"/>
        @break
    @case('talk')
        <path d="M4 5h16v11h-9l-5 4v-4H4z"/>
        @break
    @case('dots')
        <path d="M5 12h.01M12 12h.01M19 12h.01"/>
        @break
    @default
        @includeFirst(["kinds.{$name}.glyph", 'write.glyph'])
@endswitch
</svg>

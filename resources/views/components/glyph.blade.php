@props(['name'])
<svg class="glyph glyph-{{ $name }}" viewBox="0 0 24 24" aria-hidden="true" focusable="false">
@switch($name)
    @case('mark')
        <path class="gable" d="M3 20V9.5L12 3l9 6.5V20"/><path class="mist" d="M7 14h8"/><path class="mist is-lit" d="M9 18h9"/>
        @break
    @case('document')
        <rect x="4.5" y="2.5" width="15" height="19" rx="2"/><path d="M8 8h8M8 12h8M8 16h4"/>
        @break
    @case('spreadsheet')
        <rect x="3" y="4" width="18" height="16" rx="2"/><path d="M3 9.3h18M3 14.6h18M9 4v16"/>
        @break
    @case('page')
        <rect x="3" y="4" width="18" height="16" rx="2"/><path d="M3 8.5h18M7 12.5h5v4H7zM15 12.5h3M15 16h3"/>
        @break
    @case('form')
        <rect x="3" y="3" width="18" height="18" rx="2"/><circle cx="8" cy="9" r="1.6"/><circle cx="8" cy="15.5" r="1.6"/><path d="M12 9h6M12 15.5h6"/>
        @break
    @case('report')
        <path d="M4 3v17.5h17"/><path d="M8 17v-4M12.5 17V8M17 17v-6.5"/>
        @break
    @case('dataset')
        <path d="M4 6c0-4 16-4 16 0v12c0 4-16 4-16 0zM4 6c0 4 16 4 16 0M4 12c0 4 16 4 16 0"/>
        @break
    @case('entry')
        <rect x="4.5" y="3" width="15" height="18" rx="2"/><path d="m8 11.5 2.5 2.5L16 8.5M8 17.5h8"/>
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
    @case('dots')
        <path d="M5 12h.01M12 12h.01M19 12h.01"/>
        @break
@endswitch
</svg>

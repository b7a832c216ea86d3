<div class="tools is-page" role="toolbar" aria-label="Form tools" data-tools>
    <details class="menu" data-menu>
        <summary class="tool-add">Put in…</summary>
        <div class="menu-sheet put-in">
            @foreach (__('form.types') as $type => $name)
                <button type="button" class="menu-line" data-put="{{ $type }}">{{ $name }}</button>
            @endforeach
            <button type="button" class="menu-line" data-do="page-add">Page below</button>
        </div>
    </details>
    <span class="tool-group">
        <button type="button" data-do="bold" aria-label="Bold" title="Bold (Ctrl+B)"><b>B</b></button>
        <button type="button" data-do="italic" aria-label="Italic" title="Italic (Ctrl+I)"><i>I</i></button>
        <button type="button" data-do="link" title="Link (Ctrl+K)">Link</button>
    </span>
    <span class="tool-group">
        <button type="button" data-do="undo" aria-label="Undo" title="Undo (Ctrl+Z)"><x-glyph name="undo" /></button>
        <button type="button" data-do="redo" aria-label="Redo" title="Redo (Ctrl+Y)"><x-glyph name="redo" /></button>
    </span>
    <button type="button" data-do="form-settings">Settings of the form…</button>
    <a class="tool-link" href="{{ route('try', [$item, $item->head]) }}" data-newest="{{ route('try', [$item, 0]) }}">Try it</a>
    <span class="tool-arrange" role="group" aria-label="What is chosen">
        <b data-chosen>Nothing chosen</b>
        <button type="button" data-do="settings" title="Its settings (Escape, then Enter)">Settings…</button>
        <button type="button" data-do="up" title="Up">Up</button><button type="button" data-do="down" title="Down">Down</button>
        <button type="button" data-do="carry" title="Carry it with the arrow keys (Escape, then Space)">Carry</button>
        <button type="button" data-do="copy">Copy</button>
        <button type="button" data-do="remove">Remove</button>
        <span class="tool-group">
            <label for="tool-type">Answer</label>
            <select class="tool-style" id="tool-type" data-type>
                @foreach (__('form.types') as $type => $name)<option value="{{ $type }}">{{ $name }}</option>@endforeach
            </select>
            <button type="button" data-do="choice">Choice</button>
            <button type="button" data-do="line">Row</button>
            <button type="button" data-do="rule">Skip rule…</button>
        </span>
    </span>
    <p class="form-gone" data-gone role="status"></p>
</div>

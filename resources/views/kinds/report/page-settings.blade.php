@php($period = explode('/', $part->string('period')) + ['', ''])
@php($hidden = $source !== '' && $source === $part->string('source') && ! $datasets->contains('key', $source))
@php($fields = $records === null ? [] : $records->fields)
<form data-settings-of="{{ $part->id }}" data-do="page-set">
    <h2 id="report-dialog-name">The page “{{ $part->string('title') }}”</h2>
    <div class="settings-grid">
        <label class="is-whole">Title<input class="input" name="title" value="{{ $part->string('title') }}" maxlength="200" required></label>
        <label>Only from<input class="input" type="date" name="from" value="{{ $period[0] }}"></label>
        <label>to<input class="input" type="date" name="to" value="{{ $period[1] }}"></label>
        <label class="is-whole">Filters are about<select class="input" name="source" data-again><option value="">no dataset: no filters</option>@foreach ($datasets as $dataset)<option value="{{ $dataset->key }}" @selected($dataset->key === $source)>{{ $dataset->title }}</option>@endforeach @if ($hidden)<option value="{{ $source }}" selected>one that you may not see</option>@endif</select></label>@if ($hidden)<input type="hidden" name="keeps" value="1"><p class="is-whole settings-kept">What it takes from there stays as it is set up.</p>@endif
        @if ($fields !== [])@include('kinds.report.filters', ['filters' => MistyAttic\Core\Kinds\Report\Widget::filters($part->strings('filters'))])@endif
    </div>
    <p class="dialog-problem" role="alert" hidden></p>
    <div class="dialog-do">
        <button type="button" class="button is-quiet" data-settings-do="page-remove" @disabled(count($pages) < 2)>Remove it</button>
        <button type="button" class="button is-quiet" data-settings-do="page-move" data-by="-1">Move it before</button><button type="button" class="button is-quiet" data-settings-do="page-move" data-by="1">Move it after</button>
        <button type="button" class="button" data-close>Cancel</button><button class="button is-dark">Save</button>
    </div>
</form>

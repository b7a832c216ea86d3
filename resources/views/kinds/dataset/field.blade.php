@php($id = $field->id ?? 'new')
{{-- Of what it follows, a field keeps its name, and one that is new is calculated. --}}
@php($isTheirs = $item->follows() && $field !== null && $field->string('expression') === '')
@php($typed = ! ($isTheirs && $item->source?->kind === 'form'))
@php($expression = old('expression') ?? ($field === null ? '' : $kind->written($tree, $field, $field->string('expression'))))
<x-layout :title="($field === null ? 'A new field of ' : $field->string('name').' of ').$item->title" body="is-item">
    <x-item-head :item="$item" at="write" />
    <main id="main" class="answering">
        <h2>{{ $field === null ? 'A new field' : '“'.$field->string('name').'”' }}</h2>
        <x-problems />
        <form method="post" action="{{ route('field.save', [$item, $id]) }}">
            @csrf @method('put')<input type="hidden" name="base" value="{{ old('base') ?? $item->root }}">
            <div class="field"><label class="label" for="name">What is it called?</label><input class="input" id="name" name="name" value="{{ old('name') ?? $field?->string('name') }}" maxlength="100" required @readonly($isTheirs)>@if ($isTheirs)<small>It is called as it is {{ app(App\View\OtherItems::class)->tellsOf($item->source) ? "in “{$item->source->title}”" : 'where it comes from' }}.{{ $typed ? '' : ' What it is, its question says.' }}</small>@endif</div>
            @if (! $typed)<input type="hidden" name="type" value="{{ $field->string('type') }}">@else<div class="field"><label class="label" for="type">What is it?</label><div class="select"><select id="type" name="type" data-type>@foreach (App\Kinds\Dataset\DatasetView::TYPES as $type)<option value="{{ $type }}" @selected((old('type') ?? $field?->string('type')) === $type)>{{ __("data.types.{$type}") }}</option>@endforeach</select></div></div>@endif
            @if (! $typed)<input type="hidden" name="choices" value="{{ implode("\n", $field->strings('choices')) }}">@elseif (! ($item->follows() && $field === null) && ($field === null || $field->string('expression') === ''))
                <div class="field field-choices"><label class="label" for="choices">What it can be, one a line</label><textarea class="textarea" id="choices" name="choices" rows="3" maxlength="4000">{{ old('choices') ?? implode("\n", $field?->strings('choices') ?? []) }}</textarea></div>
            @endif
            @if ($field === null || $field->string('expression') !== '')
                <div class="field"><label class="label" for="expression">{{ $field === null && ! $item->follows() ? 'Calculated by; empty if values are typed in' : 'Calculated by' }}</label><textarea class="textarea" id="expression" name="expression" rows="3" maxlength="4000" placeholder="[Minutes] / 60" aria-describedby="expression-what" @required($item->follows())>{{ $expression }}</textarea>
                    <small id="expression-what">Fields in brackets; + - * / % and **, comparisons, and or not, contains, ~ puts texts together, a ? b : c; {{ implode(', ', array_keys(MistyAttic\Core\Calculate\Data\ExpressionFunctions::SIGNATURES)) }}. What it is then follows from the expression, and not from the choice above.</small></div>
                <p class="ask-help">The fields: @foreach ($names as $other => $name)@continue($other === $id)<code>{{ MistyAttic\Core\Kinds\Dataset\FieldNames::shown("[{$other}]", $names) }}</code> @endforeach</p>
            @endif
            <div class="answer-do"><button class="button is-dark">Save</button><a class="button" href="{{ route('item', $item) }}">Cancel</a>
                @if ($field !== null)<a class="button is-quiet" href="{{ route('part', [$item, $id]) }}">Its history</a>@if (! $item->follows() || $field->string('expression') !== '')<a class="button is-quiet" href="{{ route('field.hanging', [$item, $id]) }}">Remove it…</a>@endif @endif</div>
        </form>
    </main>
</x-layout>

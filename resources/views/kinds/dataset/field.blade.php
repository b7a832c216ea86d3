<x-layout :title="($field === null ? __('views/kinds/dataset.field.a_new_field_of') : $field->string('name').__('views/kinds/dataset.field.of')).$item->title" body="is-item">
    <x-item-head :item="$item" at="write" />
    <main id="main" class="answering">
        <h2>{{ $field === null ? __('views/kinds/dataset.field.a_new_field') : '“'.$field->string('name').'”' }}</h2>
        <x-problems />
        <form method="post" action="{{ route('field.save', [$item, $id]) }}">
            @csrf @method('put')<input type="hidden" name="base" value="{{ old('base') ?? $item->root }}">
            <div class="field"><label class="label" for="name">{{ __('views/kinds/dataset.field.what_is_it_called') }}</label><input class="input" id="name" name="name" value="{{ old('name') ?? $field?->string('name') }}" maxlength="100" required @readonly($isTheirs)>@if ($isTheirs)<small>{{ __('views/kinds/dataset.field.it_is_called_as_it_is', ['title' => $source !== null ? __('views/kinds/dataset.field.in', ['title' => $source->title]) : __('views/kinds/dataset.field.where_it_comes_from'), 'typed' => $isTyped ? '' : __('views/kinds/dataset.field.what_it_is_its_question_says')]) }}</small>@endif</div>
            @if (! $isTyped)<input type="hidden" name="type" value="{{ $field->string('type') }}">@else<div class="field"><label class="label" for="type">{{ __('views/kinds/dataset.field.what_is_it') }}</label><div class="select"><select id="type" name="type" data-type>@foreach (App\Kinds\Dataset\DatasetView::TYPES as $type)<option value="{{ $type }}" @selected((old('type') ?? $field?->string('type')) === $type)>{{ __("data.types.{$type}") }}</option>@endforeach</select></div></div>@endif
            @if (! $isTyped)<input type="hidden" name="choices" value="{{ implode("\n", $field->strings('choices')) }}">@elseif (! ($item->follows() && $field === null) && ($field === null || $field->string('expression') === ''))
                <div class="field field-choices"><label class="label" for="choices">{{ __('views/kinds/dataset.field.what_it_can_be_one_a') }}</label><textarea class="textarea" id="choices" name="choices" rows="3" maxlength="4000">{{ old('choices') ?? implode("\n", $field?->strings('choices') ?? []) }}</textarea></div>
            @endif
            @if ($field === null || $field->string('expression') !== '')
                <div class="field"><label class="label" for="expression">{{ $field === null && ! $item->follows() ? __('views/kinds/dataset.field.calculated_by_empty_if_values_are') : __('views/kinds/dataset.field.calculated_by') }}</label><textarea class="textarea" id="expression" name="expression" rows="3" maxlength="4000" placeholder="{{ __('views/kinds/dataset.field.minutes_60') }}" aria-describedby="expression-what" @required($item->follows())>{{ $expression }}</textarea>
                    <small id="expression-what">{{ __('views/kinds/dataset.field.fields_in_brackets_and_comparisons', ['signatures' => implode(', ', array_keys(MistyAttic\Core\Calculate\Data\ExpressionFunctions::SIGNATURES))]) }}</small></div>
                <p class="ask-help">{{ __('views/kinds/dataset.field.the_fields') }} @foreach ($names as $other => $name)@continue($other === $id)<code>{{ MistyAttic\Core\Kinds\Dataset\FieldNames::shown("[{$other}]", $names) }}</code> @endforeach</p>
            @endif
            <div class="answer-do"><button class="button is-dark">{{ __('views/kinds/dataset.field.save') }}</button><a class="button" href="{{ route('item', $item) }}">{{ __('views/kinds/dataset.field.cancel') }}</a>
                @if ($field !== null)<a class="button is-quiet" href="{{ route('part', [$item, $id]) }}">{{ __('views/kinds/dataset.field.its_history') }}</a>@if (! $item->follows() || $field->string('expression') !== '')<a class="button is-quiet" href="{{ route('field.hanging', [$item, $id]) }}">{{ __('views/kinds/dataset.field.remove_it') }}</a>@endif @endif</div>
        </form>
    </main>
</x-layout>

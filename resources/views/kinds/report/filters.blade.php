<fieldset class="is-whole settings-filters"><legend>{{ __('views/kinds/report.filters.only_records_where') }}</legend>
    @foreach (array_pad([...$filters, ['', 'is', '']], 2, ['', 'is', '']) as $at => [$of, $way, $value])
        <span class="settings-filter"><select class="input" name="filters[{{ $at }}][field]" aria-label="{{ __('views/kinds/report.filters.field_of_filter', ['at' => $at + 1]) }}"><option value="">{{ __('views/kinds/report.filters.any') }}</option>@foreach ($fields as $id => $field)<option value="{{ $id }}" @selected($of === (string) $id)>{{ $field->string('name') }}</option>@endforeach</select>
            <select class="input" name="filters[{{ $at }}][way]" aria-label="{{ __('views/kinds/report.filters.how_filter_compares', ['at' => $at + 1]) }}">@foreach (MistyAttic\Core\Kinds\Report\Widget::FILTERS as $one)<option value="{{ $one }}" @selected($way === $one)>{{ __("data.filter_ways.{$one}") }}</option>@endforeach</select>
            <input class="input" name="filters[{{ $at }}][value]" value="{{ $value }}" maxlength="100" aria-label="{{ __('views/kinds/report.filters.value_of_filter', ['at' => $at + 1]) }}"></span>
    @endforeach
</fieldset>

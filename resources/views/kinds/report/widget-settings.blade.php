<form data-settings-of="{{ $part->id }}" data-do="widget-set">
    <h2 id="report-dialog-name">{{ __('views/kinds/report.widget-settings.set_up', ['string' => $part->string('title') === '' ? __("data.widgets.{$type}") : $part->string('title')]) }}</h2>
    <div class="settings-grid">
        <label>{{ __('views/kinds/report.widget-settings.what_is_it') }}<select class="input" name="type" data-again>@foreach (MistyAttic\Core\Kinds\Report\Widget::TYPES as $one)<option value="{{ $one }}" @selected($one === $type)>{{ __("data.widgets.{$one}") }}</option>@endforeach</select></label>
        <label>{{ __('views/kinds/report.widget-settings.title') }}<input class="input" name="title" value="{{ $part->string('title') }}" maxlength="200"></label>
        @if ($type === 'text')
            <label class="is-whole">{{ __('views/kinds/report.widget-settings.text') }}<textarea class="textarea" name="text" rows="6" maxlength="20000">{{ $part->richText()->text() }}</textarea></label>
        @elseif ($type === 'picture')
            <label class="is-whole">{{ __('views/kinds/report.widget-settings.picture') }}<input class="file-in" type="file" accept="image/png,image/jpeg,image/gif,image/webp" data-picture="{{ route('picture.store', $item) }}"></label><input type="hidden" name="chunk" value="{{ $part->string('chunk') }}">
            <label class="is-whole">{{ __('views/kinds/report.widget-settings.what_does_it_show') }}<input class="input" name="alt" value="{{ $part->string('alt') }}" maxlength="500"></label>
        @else
            <label class="is-whole">{{ __('views/kinds/report.widget-settings.dataset') }}<select class="input" name="source" data-again><option value="">{{ __('views/kinds/report.widget-settings.none_yet') }}</option>@foreach ($datasets as $dataset)<option value="{{ $dataset->key }}" @selected($dataset->key === $source)>{{ $dataset->title }}</option>@endforeach @if ($isHidden)<option value="{{ $source }}" selected>{{ __('views/kinds/report.widget-settings.one_that_you_may_not_see') }}</option>@endif</select></label>@if ($isHidden)<input type="hidden" name="keeps" value="1"><p class="is-whole settings-kept">{{ __('views/kinds/report.widget-settings.what_it_takes_from_there_stays') }}</p>@endif
            @if ($fields !== [])
                <label>{{ __('views/kinds/report.widget-settings.how_much') }}<select class="input" name="measure">@foreach (MistyAttic\Core\Kinds\Report\Widget::MEASURES as $measure)<option value="{{ $measure }}" @selected($widget->measure === $measure)>{{ __("data.measure_names.{$measure}") }}</option>@endforeach</select></label>
                <label>{{ __('views/kinds/report.widget-settings.of_which_field') }}<select class="input" name="of"><option value="">{{ __('views/kinds/report.widget-settings.of_records') }}</option>@foreach ($fields as $id => $field)<option value="{{ $id }}" @selected($widget->of === (string) $id)>{{ $field->string('name') }}</option>@endforeach</select></label>
                <label>{{ __('views/kinds/report.widget-settings.by') }}<select class="input" name="by"><option value="">{{ __('views/kinds/report.widget-settings.all_in_one') }}</option>@foreach ($fields as $id => $field)<option value="{{ $id }}" @selected($widget->by === (string) $id)>{{ $field->string('name') }}</option>@endforeach</select></label>
                <label>{{ __('views/kinds/report.widget-settings.a_day_counts') }}<select class="input" name="step">@foreach (['', ...MistyAttic\Core\Kinds\Report\Widget::STEPS] as $step)<option value="{{ $step }}" @selected($widget->step === $step)>{{ __("data.steps.{$step}") }}</option>@endforeach</select></label>
                <label>{{ __('views/kinds/report.widget-settings.split_by') }}<select class="input" name="split"><option value="">{{ __('views/kinds/report.widget-settings.not_split') }}</option>@foreach ($fields as $id => $field)<option value="{{ $id }}" @selected($widget->split === (string) $id)>{{ $field->string('name') }}</option>@endforeach</select></label>
                <label>{{ __('views/kinds/report.widget-settings.order') }}<select class="input" name="order">@foreach (['value', 'value_up', 'name'] as $order)<option value="{{ $order }}" @selected($widget->order === $order)>{{ __("data.orders.{$order}") }}</option>@endforeach</select></label>
                <label>{{ __('views/kinds/report.widget-settings.most_shown') }}<input class="input" type="number" name="most" min="1" max="1000" value="{{ $widget->most }}"></label>
                <label>{{ __('views/kinds/report.widget-settings.digits_and_what_is_behind') }}<span class="settings-two"><input class="input" type="number" name="digits" min="0" max="6" value="{{ explode('|', $widget->format)[0] }}" aria-label="{{ __('views/kinds/report.widget-settings.digits_behind_the_point') }}"><input class="input" name="behind" maxlength="20" value="{{ explode('|', $widget->format, 2)[1] ?? '' }}" aria-label="{{ __('views/kinds/report.widget-settings.what_is_behind_the_number') }}"></span></label>
                @include('kinds.report.filters', ['filters' => $widget->filters])
            @endif
        @endif
    </div>
    <p class="dialog-problem" role="alert" hidden></p>
    <div class="dialog-do">
        <button type="button" class="button is-quiet" data-settings-do="widget-remove">{{ __('views/kinds/report.widget-settings.remove_it') }}</button><button type="button" class="button is-quiet" data-settings-do="widget-copy">{{ __('views/kinds/report.widget-settings.copy_it') }}</button>
        @if (count($pages) > 1)<select class="tool-style" aria-label="{{ __('views/kinds/report.widget-settings.to_another_page') }}" data-to-page><option value="">{{ __('views/kinds/report.widget-settings.to_another_page_asks') }}</option>@foreach ($pages as $page)<option value="{{ $page->id }}">{{ $page->string('title') }}</option>@endforeach</select>@endif
        <button type="button" class="button" data-close>{{ __('views/kinds/report.widget-settings.cancel') }}</button><button class="button is-dark">{{ __('views/kinds/report.widget-settings.save') }}</button>
    </div>
</form>

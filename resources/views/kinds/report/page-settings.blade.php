<form data-settings-of="{{ $part->id }}" data-do="page-set">
    <h2 id="report-dialog-name">{{ __('views/kinds/report.page-settings.the_page', ['string' => $part->string('title')]) }}</h2>
    <div class="settings-grid">
        <label class="is-whole">{{ __('views/kinds/report.page-settings.title') }}<input class="input" name="title" value="{{ $part->string('title') }}" maxlength="200" required></label>
        <label>{{ __('views/kinds/report.page-settings.only_from') }}<input class="input" type="date" name="from" value="{{ explode('/', $part->string('period'))[0] }}"></label>
        <label>{{ __('views/kinds/report.page-settings.to') }}<input class="input" type="date" name="to" value="{{ explode('/', $part->string('period'))[1] ?? '' }}"></label>
        <label class="is-whole">{{ __('views/kinds/report.page-settings.filters_are_about') }}<select class="input" name="source" data-again><option value="">{{ __('views/kinds/report.page-settings.no_dataset_no_filters') }}</option>@foreach ($datasets as $dataset)<option value="{{ $dataset->key }}" @selected($dataset->key === $source)>{{ $dataset->title }}</option>@endforeach @if ($isHidden)<option value="{{ $source }}" selected>{{ __('views/kinds/report.page-settings.one_that_you_may_not_see') }}</option>@endif</select></label>@if ($isHidden)<input type="hidden" name="keeps" value="1"><p class="is-whole settings-kept">{{ __('views/kinds/report.page-settings.what_it_takes_from_there_stays') }}</p>@endif
        @if ($fields !== [])@include('kinds.report.filters', ['filters' => MistyAttic\Core\Kinds\Report\Widget::filters($part->strings('filters'))])@endif
    </div>
    <p class="dialog-problem" role="alert" hidden></p>
    <div class="dialog-do">
        <button type="button" class="button is-quiet" data-settings-do="page-remove" @disabled(count($pages) < 2)>{{ __('views/kinds/report.page-settings.remove_it') }}</button>
        <button type="button" class="button is-quiet" data-settings-do="page-move" data-by="-1">{{ __('views/kinds/report.page-settings.move_it_before') }}</button><button type="button" class="button is-quiet" data-settings-do="page-move" data-by="1">{{ __('views/kinds/report.page-settings.move_it_after') }}</button>
        <button type="button" class="button" data-close>{{ __('views/kinds/report.page-settings.cancel') }}</button><button class="button is-dark">{{ __('views/kinds/report.page-settings.save') }}</button>
    </div>
</form>

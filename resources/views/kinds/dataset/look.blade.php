<x-layout :title="__('views/kinds/dataset.look.what_would_be_taken_in')" body="is-item">
    <main id="main" class="listing data-look">
        <h1>{{ __('views/kinds/dataset.look.with', ['records' => trans_choice('views/kinds/dataset.look.no_record', count($source->records), ['count' => App\Words\Numbers::said(count($source->records))]), 'names' => trans_choice('views/kinds/dataset.look.one_field', count($source->names))]) }}</h1>
        <p class="plan-lead">{{ __('views/kinds/dataset.look.nothing_is_made_yet_say_what') }}</p>
        @if (count($source->tabs) > 1)
            <form class="data-tabs" method="post" action="{{ route('dataset.look', $shelf) }}">@csrf<input type="hidden" name="seal" value="{{ $seal }}"><input type="hidden" name="title" value="{{ $title }}"><label for="tab">{{ __('views/kinds/dataset.look.from_the_tab') }}</label> <div class="select"><select id="tab" name="tab">@foreach ($source->tabs as $at => $name)<option value="{{ $at }}" @selected($at === $tab)>{{ $name }}</option>@endforeach</select></div> <button class="button">{{ __('views/kinds/dataset.look.look_at_that_one') }}</button></form>
        @endif
        @if ($readers !== null)<p class="notice">{{ $readers }}</p>@endif
        <x-problems />
        <form method="post" action="{{ route('dataset.store', $shelf) }}" data-slow="{{ __('views/kinds/dataset.look.taking_it_in') }}">
            @csrf
            <input type="hidden" name="seal" value="{{ $seal }}">
            <div class="data-name"><label class="label" for="title">{{ __('views/kinds/dataset.look.what_is_it_called') }}</label><input class="input" id="title" name="title" value="{{ $title }}" maxlength="{{ config('attic.title') }}"></div>
            <div class="entries-table" tabindex="0" role="region" aria-label="{{ __('views/kinds/dataset.look.the_first_records') }}">
                <table class="versions data-table">
                    <thead><tr>@foreach ($source->names as $field => $name)<th scope="col">{{ $name }}<br>@if ($source->isKnown((string) $field))<small>{{ __("data.types.{$types[$field]->type}") }}</small>@else<div class="select"><select name="types[{{ $field }}]" aria-label="{{ __('views/kinds/dataset.look.what_is', ['name' => $name]) }}">@foreach (App\Kinds\Dataset\DatasetView::TYPES as $type)<option value="{{ $type }}" @selected($types[$field]->type === $type)>{{ __("data.types.{$type}") }}</option>@endforeach</select></div>@endif</th>@endforeach</tr></thead>
                    <tbody>@foreach (array_slice($source->records, 0, 12) as $cells)<tr>@foreach ($source->names as $field => $name)<td>{{ Str::limit(MistyAttic\Core\Kinds\Cell::show($cells[$field] ?? null), 60) }}</td>@endforeach</tr>@endforeach</tbody>
                </table>
            </div>
            @if (count($source->records) > 12)<p class="form-same">{{ __('views/kinds/dataset.look.and_more', ['records' => App\Words\Numbers::said(count($source->records) - 12)]) }}</p>@endif
            @foreach ($ways as $field => $way)@continue(! $way->differ())
                <fieldset class="data-ways"><legend>{{ __($way->setting === 'days' ? 'views/kinds/dataset.look.how_are_the_days_of_written' : 'views/kinds/dataset.look.how_are_the_numbers_of_written', ['field' => $source->names[$field]]) }}</legend>@include('kinds.dataset.ways', ['ways' => $way, 'name' => ($way->setting === 'days' ? 'days' : 'decimals')."[{$field}]"])@if ($types[$field]->currency !== '')<p class="data-kept">{{ __('views/kinds/dataset.look.it_is_kept_in_money_that', ['currency' => $types[$field]->currency]) }}</p>@endif</fieldset>
            @endforeach
            <div class="changes-do"><button class="button is-dark">{{ __('views/kinds/dataset.look.take_it_in') }}</button><a class="button" href="{{ route('dataset.new', $shelf) }}">{{ __('views/kinds/dataset.look.not_this') }}</a></div>
        </form>
    </main>
</x-layout>

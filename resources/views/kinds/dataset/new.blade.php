<x-layout :title="__('views/kinds/dataset.new.a_new_dataset')" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet is-wide data-new-from">
            <h1>{{ __('views/kinds/dataset.new.a_new_dataset') }}</h1>
            <p class="door-note">{{ __('views/kinds/dataset.new.records_with_typed_fields_which') }}</p>
            <x-problems />
            <form method="post" action="{{ route('dataset.look', $shelf) }}" enctype="multipart/form-data" data-slow="{{ __('views/kinds/dataset.new.reading') }}">
                @csrf
                <h2>{{ __('views/kinds/dataset.new.from_a_file') }}</h2>
                <div class="field"><input class="file-in" type="file" name="file" required accept=".csv,.tsv,.xlsx,.ods,.json" aria-label="{{ __('views/kinds/dataset.new.which_file') }}" aria-describedby="file-what"><small id="file-what">{{ __('views/kinds/dataset.new.csv_tsv_xlsx_ods_or_json') }}</small></div>
                <div class="dialog-do"><button class="button is-dark">{{ __('views/kinds/dataset.new.look_at_it') }}</button></div>
            </form>
            @if ($items->isNotEmpty())
                <form method="post" action="{{ route('dataset.look', $shelf) }}">
                    @csrf
                    <h2>{{ __('views/kinds/dataset.new.from_a_spreadsheet_or_the_entries') }}</h2>
                    <div class="field"><label class="label" for="from">{{ __('views/kinds/dataset.new.which') }}</label><div class="select"><select id="from" name="from">
                        @foreach ($items as $item)
                            @if ($item->kind === 'form')<option value="{{ $item->key }}">{{ __('views/kinds/dataset.new.entries_of', ['title' => Str::limit($item->title, 60)]) }}</option>
                            @else @foreach ($tabs($item) as $tab)<option value="{{ $item->key }}/{{ $tab->id }}">{{ Str::limit($item->title, 60) }}{{ $tab->string('name') === '' ? '' : ", {$tab->string('name')}" }}</option>@endforeach @endif
                        @endforeach
                    </select></div></div>
                    <div class="field"><label class="label" for="version">{{ __('views/kinds/dataset.new.which_version') }}</label><div class="select"><select id="version" name="version"><option value="">{{ __('views/kinds/dataset.new.always_as_it_is_now_follow') }}</option>
                        @foreach ($items as $item)
                            @foreach ($item->versions->whereNotNull('milestone')->sortByDesc('number') as $version)<option value="{{ $item->key }}:{{ $version->number }}">{{ Str::limit($item->title, 40) }}, “{{ $version->milestone->name }}”</option>@endforeach
                        @endforeach
                    </select></div></div>
                    <div class="dialog-do"><button class="button is-dark">{{ __('views/kinds/dataset.new.look_at_it') }}</button></div>
                </form>
            @endif
            <form method="post" action="{{ route('dataset.store', $shelf) }}">
                @csrf
                <h2>{{ __('views/kinds/dataset.new.empty') }}</h2>
                <div class="field"><label class="label" for="title">{{ __('views/kinds/dataset.new.what_is_it_called') }}</label><input class="input" id="title" name="title" maxlength="{{ config('attic.title') }}"></div>
                <div class="dialog-do"><a class="button" href="{{ route('shelf', $shelf) }}">{{ __('views/kinds/dataset.new.cancel') }}</a><button class="button">{{ __('views/kinds/dataset.new.make_it_empty') }}</button></div>
            </form>
        </div>
    </main>
</x-layout>

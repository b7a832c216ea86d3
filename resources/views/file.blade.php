<x-layout :title="__('views/file.a_file_for', ['title' => $item->title])" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet is-wide">
            <h1>{{ __('views/file.a_file_as_the_next_version', ['title' => $item->title]) }}</h1>
            <p class="door-note">{{ __('views/file.what_the_file_holds_becomes_version', ['next' => $item->head + 1, 'kind' => __("item.file_parts.{$item->kind}"), 'head' => $item->head]) }}</p>
            <x-problems />
            <form method="post" action="{{ route('item.file.store', $item) }}" enctype="multipart/form-data" data-slow="{{ __('views/file.reading_and_matching') }}">
                @csrf
                <div class="field"><label class="label" for="file">{{ __('views/file.which_file') }}</label><input class="file-in" id="file" type="file" name="file" required accept="{{ $endings }}" aria-describedby="file-what"><small id="file-what">{{ __('views/file.up_to_10_mb', ['kind' => __("item.file_formats.{$item->kind}")]) }}</small></div>
                @if (count($tabs) > 1)
                    <div class="field"><label class="label" for="tab">{{ __('views/file.a_file_with_a_single_table') }}</label><div class="select"><select id="tab" name="tab">@foreach ($tabs as $id => $name)<option value="{{ $id }}">{{ $name }}</option>@endforeach</select></div></div>
                @elseif ($tabs !== [])
                    <input type="hidden" name="tab" value="{{ array_key_first($tabs) }}">
                @endif
                <div class="dialog-do"><a class="button" href="{{ route('item', $item) }}">{{ __('views/file.cancel') }}</a><button class="button is-dark">{{ __('views/file.bring_it_in') }}</button></div>
            </form>
        </div>
    </main>
</x-layout>

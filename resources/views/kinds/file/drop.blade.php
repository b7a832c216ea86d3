<div class="file-drop" data-kind="file" data-drop="{{ json_encode(['begin' => route('upload.begin', $shelf), 'named' => route('file.named', $shelf), 'item' => $item?->key]) }}">
    <form method="post" action="{{ route('file.send', $shelf) }}" enctype="multipart/form-data" data-drop-form>
        @csrf
        @isset($item)<input type="hidden" name="item" value="{{ $item->key }}">@endisset
        <label class="label" for="drop-file">{{ $item === null ? __('views/kinds/file.drop.which_file') : __('views/kinds/file.drop.a_file_as_its_next_version') }}</label>
        <input class="file-in" id="drop-file" type="file" name="file" @if ($item === null) multiple @endif required aria-describedby="drop-what">
        <small id="drop-what">{{ __('views/kinds/file.drop.any_file_up_to_200_mb') }}</small>
        <noscript><button class="button is-dark">{{ __('views/kinds/file.drop.send_it') }}</button></noscript>
    </form>
    <ol class="file-way" data-way aria-live="polite"></ol>
</div>

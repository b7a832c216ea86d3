<div class="file-drop" data-kind="file" data-drop="{{ json_encode(['begin' => route('upload.begin', $shelf), 'named' => route('file.named', $shelf), 'item' => $item?->key]) }}">
    <form method="post" action="{{ route('file.send', $shelf) }}" enctype="multipart/form-data" data-drop-form>
        @csrf
        @isset($item)<input type="hidden" name="item" value="{{ $item->key }}">@endisset
        <label class="label" for="drop-file">{{ $item === null ? 'Which file?' : 'A file as its next version' }}</label>
        <input class="file-in" id="drop-file" type="file" name="file" @if ($item === null) multiple @endif required aria-describedby="drop-what">
        <small id="drop-what">Any file, up to 200 MB. Choose it, drop it here, or paste it.</small>
        <noscript><button class="button is-dark">Send it</button></noscript>
    </form>
    <ol class="file-way" data-way aria-live="polite"></ol>
</div>

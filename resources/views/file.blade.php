<x-layout :title="'A file for '.$item->title" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet is-wide">
            <h1>A file as the next version of “{{ $item->title }}”</h1>
            <p class="door-note">What the file holds becomes version {{ $item->head + 1 }}. It is matched with what is there by its content, so that only what differs counts as changed and every {{ __("item.file_parts.{$item->kind}") }} keeps its history. {{ $item->head }} stays as it is, and can be restored.</p>
            <x-problems />
            <form method="post" action="{{ route('item.file.store', $item) }}" enctype="multipart/form-data" data-slow="Reading and matching…">
                @csrf
                <div class="field"><label class="label" for="file">Which file?</label><input class="file-in" id="file" type="file" name="file" required accept="{{ $endings }}" aria-describedby="file-what"><small id="file-what">{{ __("item.file_formats.{$item->kind}") }}, up to 10 MB</small></div>
                @if (count($tabs) > 1)
                    <div class="field"><label class="label" for="tab">A file with a single table stands for</label><div class="select"><select id="tab" name="tab">@foreach ($tabs as $id => $name)<option value="{{ $id }}">{{ $name }}</option>@endforeach</select></div></div>
                @elseif ($tabs !== [])
                    <input type="hidden" name="tab" value="{{ array_key_first($tabs) }}">
                @endif
                <div class="dialog-do"><a class="button" href="{{ route('item', $item) }}">Cancel</a><button class="button is-dark">Bring it in</button></div>
            </form>
        </div>
    </main>
</x-layout>

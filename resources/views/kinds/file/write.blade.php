<x-layout :kind="$item->kind" :title="$item->title" body="is-item is-filed">
    <x-item-head :item="$item" at="write" :editable="Gate::allows('write', $item)"><x-origin :item="$item" /></x-item-head>
    <main id="main" class="file-desk" @can('draft', $item) data-histories="{{ route('item', $item, false) }}/parts" @endcan data-looked>
        <section class="file-now" aria-label="{{ __('views/kinds/file.write.the_file_as_it_is_now') }}" data-state @if ($seen->isRead()) data-read-of="{{ $file->id }}" @endif>
            @if ($seen->face === App\Kinds\File\Face::Picture)
                <figure class="file-picture" data-part="{{ $file->id }}"><img src="{{ route('file.content', [$item, $item->head]) }}" data-chunk="{{ $file->chunk }}" alt="{{ $file->name }}"></figure>
            @elseif ($seen->content?->kind->grid() !== null)
                @include('kinds.file.table', ['tables' => $seen->tables()])
            @elseif ($seen->content !== null)
                <article class="paper prose @if ($seen->face === App\Kinds\File\Face::Lines) is-lines @endif">@foreach ($seen->blocks(2000) as $each)@include('kinds.file.read', ['block' => $each])@endforeach</article>
            @else
                <div class="paper file-bytes" data-part="{{ $file->id }}">@include('kinds.file.facts')<p>{{ __('file.nothing_runs') }}</p></div>
            @endif
            @includeWhen($slips !== null, 'talk.slips', $slips ?? [])
        </section>
        <aside class="file-side">
            <x-problems />
            <p><a class="button is-dark" href="{{ route('download', [$item, $item->head, 'file']) }}">{{ __('views/kinds/file.write.download', ['head' => $item->head]) }}</a></p>
            @unless ($seen->face === App\Kinds\File\Face::Bytes)@include('kinds.file.facts')@endunless
            @can('write', $item)@include('kinds.file.drop', ['shelf' => $item->shelf, 'item' => $item])@endcan
            @can('make', $item->shelf)
                @foreach ($into as $kind)<form method="post" action="{{ route('file.into', $item) }}">@csrf<input type="hidden" name="kind" value="{{ $kind }}"><button class="button">{{ __('file.into', ['kind' => $kind]) }}</button></form>@endforeach
            @endcan
        </aside>
    </main>
    <footer class="foot">@include('write.foot')</footer>
</x-layout>

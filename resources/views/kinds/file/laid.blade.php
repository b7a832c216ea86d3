@if ($pictures === null)
    <span class="file-lie">@foreach ($laid as [$number])<img @if ($loop->index > 0) class="is-over" @endif src="{{ route('file.content', [$item, $number]) }}" alt="{{ __('views/kinds/file.laid.in', ['name' => $new->name, 'number' => $number]) }}">@endforeach</span>
@else
    <svg class="file-lie" viewBox="0 0 {{ $size[0] }} {{ $size[1] }}" width="{{ $size[0] }}" height="{{ $size[1] }}" role="img" aria-label="{{ __('views/kinds/file.laid.in', ['name' => $new->name, 'versions' => implode(__('views/kinds/file.laid.with_it_laid_over'), array_column($laid, 0))]) }}">
        @foreach ($laid as [$number, $own])<image @if ($loop->index > 0) class="is-over" @endif href="{{ route('file.content', [$item, $number]) }}" width="{{ $own[0] }}" height="{{ $own[1] }}"/>@endforeach
        @foreach ($pictures->places as [$left, $top, $wide, $high])<rect x="{{ round($left * $pictures->width(), 1) }}" y="{{ round($top * $pictures->height(), 1) }}" width="{{ round($wide * $pictures->width(), 1) }}" height="{{ round($high * $pictures->height(), 1) }}" vector-effect="non-scaling-stroke"/>@endforeach
    </svg>
@endif

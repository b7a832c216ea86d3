<x-reading :title="$title" :item="$item">
    @if (! $isLive)
        <p class="reading-past" role="note">This is how “{{ $title }}” was published on {{ $publishing->decided_at?->format('j F Y, H:i') }} UTC{{ $publishing->ended_at === null ? '' : ', until '.$publishing->ended_at->format('j F Y, H:i').' UTC' }}. <a href="{{ route('read', $item->address) }}">To the present page</a></p>
    @endif
    @unless ($page->isTitled())<header class="reading-head"><h1>{{ $title }}</h1></header>@endunless
    <main class="page">{{ $page }}</main>
    <footer class="reading-foot">
        <p>@if (config('attic.place') !== ''){{ config('attic.place') }} · @endif Published {{ $publishing->decided_at?->format('j F Y') }}</p>
        @if ($earlier->isNotEmpty())
            <details><summary>{{ $isLive ? 'As it was before' : 'At other times' }}</summary>
                <ul>@foreach ($earlier as $address => $each)<li><a href="{{ $address }}">{{ $each->decided_at?->format('j F Y, H:i') }} UTC</a></li>@endforeach</ul>
            </details>
        @endif
    </footer>
</x-reading>

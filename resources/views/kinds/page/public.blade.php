<x-reading :title="$title" :item="$item">
    <x-reading-past :publishing="$publishing" :item="$item" :is-live="$isLive" />
    @unless ($page->isTitled())<header class="reading-head"><h1>{{ $title }}</h1></header>@endunless
    <main class="page">{{ $page }}</main>
    <x-reading-foot :publishing="$publishing" :earlier="$earlier" :is-live="$isLive" />
</x-reading>

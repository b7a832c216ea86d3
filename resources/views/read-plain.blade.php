<x-reading :title="$title" :item="$item">
    <x-reading-past :publishing="$publishing" :item="$item" :is-live="$isLive" />
    <header class="reading-head"><h1>{{ $title }}</h1></header>
    <main class="paper prose">@include('history.plain-blocks', ['side' => 'both', 'address' => $address, 'parts' => null])</main>
    <x-reading-foot :publishing="$publishing" :earlier="$earlier" :is-live="$isLive" />
</x-reading>

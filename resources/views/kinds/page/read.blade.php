<x-layout :kind="$item->kind" :title="$item->title" body="is-item">
    <x-item-head :item="$item" at="write" />
    <main id="main" class="published"><div class="page">{{ $page }}</div></main>
</x-layout>

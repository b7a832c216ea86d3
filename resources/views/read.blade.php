<x-layout :kind="$item->kind" :title="$item->title" body="is-item">
    <x-item-head :item="$item" at="write" />
    <main id="main" class="published"><article class="paper prose">@include($view, ['side' => 'both', 'parts' => null])</article></main>
</x-layout>

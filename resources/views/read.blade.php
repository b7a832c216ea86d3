<x-layout :kind="$item->kind" :title="$item->title" body="is-item">
    <x-item-head :item="$item" at="write" />
    <main id="main" class="published"><article class="paper prose">@foreach ($blocks as $each)@include($block, ['block' => $each, 'side' => 'both', 'parts' => null])@endforeach</article></main>
</x-layout>

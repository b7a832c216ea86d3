@if ($person === null || Gate::denies('view', $item))
<x-reading :title="$title"><main class="answering"><h1>{{ $title }}</h1>@include('kinds.form.answer', ['public' => true])</main></x-reading>
@else
<x-layout :title="$title" body="is-item">
    <x-item-head :item="$item" at="answer" />
    <main id="main" class="answering">@include('kinds.form.answer', ['public' => false])</main>
</x-layout>
@endif

@if ($person === null || Gate::denies('view', $item))
<x-reading :title="$title.': sent'"><main class="answering"><h1>{{ $title }}</h1>@include('kinds.form.thanks')</main></x-reading>
@else
<x-layout :title="$title.': sent'" body="is-item">
    <x-item-head :item="$item" at="answer" />
    <main id="main" class="answering">@include('kinds.form.thanks')</main>
</x-layout>
@endif

@if ($person === null)
<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <title>{{ $title }}: sent</title>
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    @vite(['resources/css/fonts.css', 'resources/css/built/read.css'])
</head>
<body class="reading">
    <main class="answering"><h1>{{ $title }}</h1>@include('form.thanks')</main>
</body>
</html>
@else
<x-layout :title="$title.': sent'" body="is-item">
    <x-item-head :item="$item" at="answer" />
    <main id="main" class="answering">@include('form.thanks')</main>
</x-layout>
@endif

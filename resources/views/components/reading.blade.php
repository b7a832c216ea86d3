@props(['title', 'scripts' => false, 'item' => null])
<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light dark">
    <title>{{ $title }}@if (config('attic.place') !== '') · {{ config('attic.place') }}@endif</title>
    @if ($item !== null)<link rel="original timegate" href="{{ route('read', $item->address) }}"><link rel="timemap" type="application/link-format" href="{{ route('read.timemap', $item->address) }}">@endif
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    @vite(['resources/css/fonts.css', 'resources/css/built/read.css', ...($scripts ? ['resources/js/read-report.js'] : [])])
</head>
<body class="reading" data-screen="{{ request()->route()?->getName() }}">
    {{ $slot }}
</body>
</html>

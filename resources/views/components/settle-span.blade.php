@props(['span', 'user'])
@if ($span->kind === MistyAttic\Core\Compare\SpanKind::Added)<ins @class(['by-'.$user?->colour => $user])><x-runs :text="$span->text" /></ins>@elseif ($span->kind === MistyAttic\Core\Compare\SpanKind::Removed)<del @class(['by-'.$user?->colour => $user])><x-runs :text="$span->text" /></del>@else<x-runs :text="$span->text" />@endif

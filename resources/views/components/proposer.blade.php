@props(['proposal'])
@if ($proposal->said_by === null)<x-monogram :user="$proposal->user" aria-hidden="true" />@else<span class="monogram by-0" aria-hidden="true" title="{{ $proposal->whence() }}">{{ $proposal->initials() }}</span>@endif

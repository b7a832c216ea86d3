@props(['user', 'named' => false])
<span {{ $attributes->class(['monogram', 'by-'.$user->colour]) }} title="{{ $user->name }}"><span aria-hidden="true">{{ $user->monogram() }}</span><span class="is-sr-only">{{ $user->name }}</span></span>

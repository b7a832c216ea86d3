@props(['code', 'note' => null])
<x-layout :title="__('errors.'.$code.'.title')" body="is-plain">
    <main id="main" class="door"><div class="door-sheet"><h1>{{ __("errors.{$code}.title") }}</h1><p class="door-note">{{ $note ?? __("errors.{$code}.note") }}</p>{{ $slot }}<a class="button" href="/">{{ __('errors.to_the_shelves') }}</a></div></main>
</x-layout>

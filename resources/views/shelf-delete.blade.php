<x-layout :title="__('views/shelf-delete.delete', ['name' => $shelf->name])" body="is-plain">
    <main id="main" class="door"><div class="door-sheet is-wide">
        <h1>{{ __('views/shelf-delete.delete_the_shelf', ['name' => $shelf->name]) }}</h1>
        <p class="door-note">{{ __('views/shelf-delete.it_goes_to_lost_found_of', ['items' => trans_choice('views/shelf-delete.nothing_on_it', $items)]) }}</p>
        @if ($public->isNotEmpty())<p>{{ __('views/shelf-delete.everybody_who_has_a_public_address') }}</p><ul class="hangs">@foreach ($public as $title)<li>{{ $title }}</li>@endforeach</ul>@endif
        <form method="post" action="{{ route('shelf.destroy', $shelf) }}">@csrf @method('delete')<div class="dialog-do"><a class="button" href="{{ route('shelf.edit', $shelf) }}">{{ __('views/shelf-delete.keep_it') }}</a><button class="button is-dark" autofocus>{{ __('views/shelf-delete.delete_it') }}</button></div></form>
    </div></main>
</x-layout>

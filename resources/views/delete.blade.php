<x-layout :title="__('views/delete.delete', ['title' => $item->title])" body="is-plain">
    <main id="main" class="door"><div class="door-sheet is-wide">
        <h1>{{ __('views/delete.delete_title', ['title' => $item->title]) }}</h1>
        <p class="door-note">{{ __('views/delete.it_goes_to_lost_found_of', ['name' => $item->shelf->name]) }}</p>
        @if ($hangs->said === [])
            <p>{{ __('keeping.hanging.nothing') }}</p>
        @else
            <ul class="hangs">@foreach ($hangs->said as $said)<li>{{ $said }}</li>@endforeach</ul>
        @endif
        <form method="post" action="{{ route('item.destroy', $item) }}">@csrf @method('delete')<div class="dialog-do"><a class="button" href="{{ route('shelf', $item->shelf) }}">{{ __('views/delete.keep_it') }}</a><button class="button is-dark" autofocus>{{ __('views/delete.delete_it') }}</button></div></form>
    </div></main>
</x-layout>

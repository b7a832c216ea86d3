<x-layout :title="'Delete '.$item->title" body="is-plain">
    <main id="main" class="door"><div class="door-sheet is-wide">
        <h1>Delete “{{ $item->title }}”?</h1>
        <p class="door-note">It goes to Lost &amp; found of “{{ $item->shelf->name }}” with its whole history, and can be brought back from there as it is now.</p>
        @if ($hangs->said === [])
            <p>{{ __('keeping.hanging.nothing') }}</p>
        @else
            <ul class="hangs">@foreach ($hangs->said as $said)<li>{{ $said }}</li>@endforeach</ul>
        @endif
        <form method="post" action="{{ route('item.destroy', $item) }}">@csrf @method('delete')<div class="dialog-do"><a class="button" href="{{ route('shelf', $item->shelf) }}">Keep it</a><button class="button is-dark" autofocus>Delete it</button></div></form>
    </div></main>
</x-layout>

<x-layout :title="'Delete '.$shelf->name" body="is-plain">
    <main id="main" class="door"><div class="door-sheet is-wide">
        <h1>Delete the shelf “{{ $shelf->name }}”?</h1>
        <p class="door-note">It goes to Lost &amp; found of its owners, with {{ trans_choice('{0} nothing on it|{1} the one item on it|[2,*] the :count items on it', $items) }}, and can be brought back from there. Its people no longer see it.</p>
        @if ($public->isNotEmpty())<p>Everybody who has a public address of these finds nothing there any more:</p><ul class="hangs">@foreach ($public as $title)<li>{{ $title }}</li>@endforeach</ul>@endif
        <form method="post" action="{{ route('shelf.destroy', $shelf) }}">@csrf @method('delete')<div class="dialog-do"><a class="button" href="{{ route('shelf.edit', $shelf) }}">Keep it</a><button class="button is-dark" autofocus>Delete it</button></div></form>
    </div></main>
</x-layout>

<x-layout :title="$item->title.' follows again'" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet is-wide data-hangs">
            <h1>Let “{{ $item->title }}” follow its source “{{ $item->source->title }}” again?</h1>
            <p class="door-note">It becomes what “{{ $item->source->title }}” is now. This is one version, and it is yours; what goes by it stays in the history.</p>
            <x-problems />
            <h2>What changes by it</h2>
            <ul>@foreach ($sentences as $sentence)<li>{{ $sentence }}</li>@endforeach</ul>
            @if ($more > 0)<p>{{ trans_choice('{1} and one more change|[2,*] and :count more changes', $more, ['count' => App\Words\Numbers::said($more)]) }}</p>@endif
            <form class="dialog-do" method="post" action="{{ route('dataset.follow', $item) }}">@csrf @method('put')<input type="hidden" name="follow" value="1"><input type="hidden" name="seen" value="{{ $item->head }}"><a class="button" href="{{ route('item', $item) }}">Leave it as it is</a><button class="button is-dark">Follow again</button></form>
        </div>
    </main>
</x-layout>

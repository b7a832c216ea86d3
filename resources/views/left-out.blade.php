<x-layout title="What would be left out" body="is-plain">
    <main id="main" class="door">
        <form class="door-sheet is-wide data-hangs" method="post" action="{{ $action }}" data-slow="Reading…">
            @csrf<input type="hidden" name="kept" value="{{ $kept }}"><input type="hidden" name="sure" value="1">
            @foreach (Arr::except($sent, 'sure') as $field => $value)<input type="hidden" name="{{ $field }}" value="{{ $value }}">@endforeach
            <h1>Not all of “{{ $name }}” comes in</h1>
            <p class="door-note">Nothing is made yet. The rest comes in as it is, and the note of its version says what was left out.</p>
            <x-problems />
            <ul>@foreach ($left as $line)<li>{{ mb_ucfirst($line) }}</li>@endforeach</ul>
            <div class="dialog-do"><a class="button" href="{{ url()->previous() }}">Not this file</a><button class="button is-dark">Bring in the rest</button></div>
        </form>
    </main>
</x-layout>

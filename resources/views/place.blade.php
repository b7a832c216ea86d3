<x-layout :title="'Where to bring it back in '.$item->title" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet is-wide">
            <h1>Where shall it go?</h1>
            <p class="door-note">{{ $name === '' ? 'This block' : "“{$name}”" }} stood in a column that is gone since. Nothing is overwritten: whatever you choose becomes version {{ $item->head + 1 }}.</p>
            <x-problems />
            <form method="post" action="{{ route('part.restore', [$item, $part, $version->number]) }}">
                @csrf
                <input type="hidden" name="seen" value="{{ $item->head }}">
                <fieldset class="places"><legend class="label">Where it stood</legend>
                    <label><input type="radio" name="into" value="{{ $own }}" checked autofocus> With its column{{ $ownSection === '' ? '' : ", in “{$ownSection}”" }}, as in {{ $version->number }}</label>
                </fieldset>
                @foreach ($places->sections as $place)
                    <fieldset class="places"><legend class="label">{{ $place['section'] === '' ? 'A section without a title' : $place['section'] }}</legend>
                        @foreach ($place['columns'] as $column => $label)<label><input type="radio" name="into" value="{{ $column }}"> {{ $label }}</label>@endforeach
                    </fieldset>
                @endforeach
                <div class="dialog-do"><a class="button" href="{{ route('part', [$item, $part]) }}">Cancel</a><button class="button is-dark">Bring it back</button></div>
            </form>
        </div>
    </main>
</x-layout>

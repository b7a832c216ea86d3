<x-layout title="Damaged" body="is-plain">
    <main id="main" class="door"><div class="door-sheet">
        <h1>This can’t be read back</h1>
        @if ($damaged !== null && $damaged->damaged !== [])
            <p class="door-note">Of “{{ $damaged->item->title }}” {{ count($damaged->damaged) === 1 ? 'version' : 'versions' }} {{ implode(', ', array_slice($damaged->damaged, 0, 8)) }} {{ count($damaged->damaged) === 1 ? 'is' : 'are' }} damaged on the disk. Nothing is shown or written from a damaged state. Whoever keeps the place can put it back from a backup.</p>
            @if ($damaged->whole !== [])<p>Whole: @foreach (array_slice($damaged->whole, 0, 5) as $number)<a href="{{ route('history', ['item' => $damaged->item, 'from' => $number, 'to' => $number, 'view' => 'was']) }}">{{ $number }} as it was</a>@if (! $loop->last), @endif @endforeach</p>@endif
        @else
            <p class="door-note">A part of what is kept is damaged on the disk. Nothing is shown or written from a damaged state. Whoever keeps the place can put it back from a backup.</p>
        @endif
        <a class="button" href="/">To the shelves</a>
    </div></main>
</x-layout>

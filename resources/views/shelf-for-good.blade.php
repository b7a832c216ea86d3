<x-layout :title="'Delete '.$shelf->name.' for good'" body="is-plain">
    <main id="main" class="door"><div class="door-sheet is-wide">
        <h1>Delete the shelf “{{ $shelf->name }}” for good?</h1>
        <p class="door-note">{{ trans_choice('{0} Nothing stands on it|{1} The one item on it goes|[2,*] The :count items on it go', $items) }}{{ $lost === 0 ? '' : trans_choice(', and one that was deleted from it before|, and :count that were deleted from it before', $lost) }}, with every version, entry, milestone and picture, and with its log. <b>This can’t be undone, by anybody.</b></p>
        <x-problems />
        <form method="post" action="{{ route('shelf.for-good', $shelf) }}">
            @csrf @method('delete')
            <div class="field"><label class="label" for="name">To go on, type its name: {{ $shelf->name }}</label><input class="input" id="name" name="name" maxlength="250" autocomplete="off" required autofocus></div>
            <div class="dialog-do"><a class="button" href="{{ route('lost.all') }}">Leave it in Lost &amp; found</a><button class="button is-danger">Delete it for good</button></div>
        </form>
    </div></main>
</x-layout>

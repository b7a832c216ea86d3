<x-layout :title="__('views/shelf-for-good.delete_for_good', ['name' => $shelf->name])" body="is-plain">
    <main id="main" class="door"><div class="door-sheet is-wide">
        <h1>{{ __('views/shelf-for-good.delete_the_shelf_for_good', ['name' => $shelf->name]) }}</h1>
        <p class="door-note">{{ __('views/shelf-for-good.with_every_version_entry_milestone', ['items' => trans_choice('views/shelf-for-good.nothing_is_on_it', $items), 'lost' => $lost === 0 ? '' : trans_choice('views/shelf-for-good.and_one_that_was_deleted_from', $lost)]) }} <b>{{ __('views/shelf-for-good.this_cant_be_undone_by_anybody') }}</b></p>
        <x-problems />
        <form method="post" action="{{ route('shelf.for-good', $shelf) }}">
            @csrf @method('delete')
            <div class="field"><label class="label" for="name">{{ __('views/shelf-for-good.to_go_on_type_its_name', ['name' => $shelf->name]) }}</label><input class="input" id="name" name="name" maxlength="250" autocomplete="off" required autofocus></div>
            <div class="dialog-do"><a class="button" href="{{ route('lost.all') }}">{{ __('views/shelf-for-good.leave_it_in_lost_found') }}</a><button class="button is-danger">{{ __('views/shelf-for-good.delete_it_for_good') }}</button></div>
        </form>
    </div></main>
</x-layout>

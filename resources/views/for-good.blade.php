<x-layout :title="__('views/for-good.delete_for_good', ['title' => $item->title])" body="is-plain">
    <main id="main" class="door"><div class="door-sheet is-wide">
        <h1>{{ __('views/for-good.delete_for_good_title', ['title' => $item->title]) }}</h1>
        <p class="door-note">{{ trans_choice('views/for-good.its_one_version_goes', $versions) }}@if ($entries > 0){{ __('views/for-good.and', ['entries' => trans_choice('views/for-good.its_one_entry_with_its_history', $entries)]) }}@endif{{ __('views/for-good.with_milestones_notes_pictures_and') }} <b>{{ __('views/for-good.this_cant_be_undone_by_anybody') }}</b></p>
        @if ($hangs->said !== [])<ul class="hangs">@foreach ($hangs->said as $said)<li>{{ $said }}</li>@endforeach</ul>@endif
        <x-problems />
        <form method="post" action="{{ route('item.for-good', $item) }}">
            @csrf @method('delete')
            <div class="field"><label class="label" for="name">{{ __('views/for-good.to_go_on_type_its_name', ['title' => $item->title]) }}</label><input class="input" id="name" name="name" maxlength="250" autocomplete="off" required autofocus></div>
            <div class="dialog-do"><a class="button" href="{{ route('lost', $item->shelf) }}">{{ __('views/for-good.leave_it_in_lost_found') }}</a><button class="button is-danger">{{ __('views/for-good.delete_it_for_good') }}</button></div>
        </form>
    </div></main>
</x-layout>

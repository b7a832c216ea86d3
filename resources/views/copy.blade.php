<x-layout :title="__('views/copy.copy_out', ['title' => $item->title])" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet is-wide">
            <h1>{{ __('views/copy.copy_out_of', ['number' => $version->number, 'title' => $item->title]) }}</h1>
            <p class="door-note">{{ __('views/copy.a_new_with_the_content_of', ['kind' => $item->kind, 'number' => $version->number, 'who' => $version->user->firstName()]) }} <x-when :at="$version->saved_at" exact />{{ __('views/copy.it_says_where_it_came_from', ['title' => $item->title]) }}</p>
            @if (($said = $item->room(App\View\Past::class)->copied($version)) !== null)<p class="notice">{{ $said }} <a href="{{ route('history', ['item' => $item, 'from' => $version->number, 'to' => $version->number, 'view' => 'was']) }}">{{ __('copies.as_it_was', ['number' => (string) $version->number]) }}</a></p>@endif
            <x-problems />
            @if ($shelves->isEmpty())
                <p class="notice">{{ __('views/copy.you_are_not_an_editor_on') }}</p>
            @else
                <form method="post" action="{{ route('copy.store', [$item, $version->number]) }}">
                    @csrf
                    @if ($parts !== [])<input type="hidden" name="parts" value="{{ implode(',', $parts) }}"><p class="notice">{{ trans_choice('views/copy.only_the_one_thing_that_you', count($parts)) }}</p>@endif
                    <div class="field"><label class="label" for="title">{{ __('views/copy.what_is_it_called') }}</label><input class="input" id="title" name="title" maxlength="{{ config('attic.title') }}" value="{{ old('title', mb_substr($item->title, 0, 180).__('views/copy.from').$version->number) }}" required autofocus></div>
                    <div class="field"><label class="label" for="shelf">{{ __('views/copy.on_which_shelf') }}</label><div class="select"><select id="shelf" name="shelf">@foreach ($shelves as $shelf)<option value="{{ $shelf->key }}" @selected($shelf->id === $item->shelf_id)>{{ $shelf->name }}</option>@endforeach</select></div></div>
                    @if (count($tabs) > 1 && $parts === [])
                        <div class="field"><label class="label" for="tab">{{ __('views/copy.how_much_of_it') }}</label><div class="select"><select id="tab" name="tab"><option value="">{{ __('views/copy.all_tabs') }}</option>@foreach ($tabs as $id => $name)<option value="{{ $id }}">{{ __('views/copy.only', ['name' => $name]) }}</option>@endforeach</select></div></div>
                    @endif
                    @if ($history > 1 && $parts === [])
                        <div class="field"><label class="label" for="history">{{ __('copies.history') }}</label><div class="select"><select id="history" name="history" aria-describedby="history-what"><option value="">{{ __('copies.state') }}</option><option value="1" @selected(old('history') === '1')>{{ trans_choice('copies.all', $history, ['count' => App\Words\Numbers::said($history)]) }}</option></select></div><small id="history-what">{{ __('copies.all_note') }}</small></div>
                    @endif
                    @if ($proposed > 0 && $parts === [])
                        <label class="checkbox"><input type="checkbox" name="proposals" value="1" @checked(old('proposals') === '1')> {{ trans_choice('copies.proposals', $proposed) }}</label>
                    @endif
                    @if ($talk > 0)
                        <div class="field"><label class="label" for="talk">{{ __('views/copy.what_was_said_about_it') }}</label><div class="select"><select id="talk" name="talk" aria-describedby="talk-what"><option value="">{{ __('views/copy.stays_here') }}</option><option value="open" @selected(old('talk') === 'open')>{{ __('views/copy.goes_along_where_it_was_open') }}</option><option value="all" @selected(old('talk') === 'all')>{{ __('views/copy.goes_along_all_of_it') }}</option></select></div><small id="talk-what">{{ __('views/copy.whoever_sees_the_copy_sees_it') }}</small></div>
                    @endif
                    <div class="dialog-do"><a class="button" href="{{ route('history', ['item' => $item, 'from' => $version->number, 'to' => $item->head]) }}">{{ __('views/copy.cancel') }}</a><button class="button is-dark">{{ __('views/copy.copy_it_out') }}</button></div>
                </form>
            @endif
        </div>
    </main>
</x-layout>

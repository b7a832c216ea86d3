<x-layout :title="'Copy out '.$item->title" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet is-wide">
            <h1>Copy out {{ $version->number }} of “{{ $item->title }}”</h1>
            <p class="door-note">A new {{ $item->kind }} with the content of {{ $version->number }}, saved by {{ $version->user->firstName() }} on <x-when :at="$version->saved_at" exact />. It says where it came from; “{{ $item->title }}” is not touched.</p>
            @if (($said = $item->room(App\View\Past::class)->copied($version)) !== null)<p class="notice">{{ $said }} <a href="{{ route('history', ['item' => $item, 'from' => $version->number, 'to' => $version->number, 'view' => 'was']) }}">{{ __('copies.as_it_was', ['number' => (string) $version->number]) }}</a></p>@endif
            <x-problems />
            @if ($shelves->isEmpty())
                <p class="notice">You are not an editor on any shelf, so there is nowhere to put it. You can download it instead.</p>
            @else
                <form method="post" action="{{ route('copy.store', [$item, $version->number]) }}">
                    @csrf
                    @if ($parts !== [])<input type="hidden" name="parts" value="{{ implode(',', $parts) }}"><p class="notice">{{ trans_choice('{1} Only the one thing that you chose is copied, with what it stands in.|[2,*] Only the :count things that you chose are copied, with what they stand in.', count($parts)) }}</p>@endif
                    <div class="field"><label class="label" for="title">What is it called?</label><input class="input" id="title" name="title" maxlength="{{ config('attic.title') }}" value="{{ old('title', mb_substr($item->title, 0, 180).', from '.$version->number) }}" required autofocus></div>
                    <div class="field"><label class="label" for="shelf">On which shelf?</label><div class="select"><select id="shelf" name="shelf">@foreach ($shelves as $shelf)<option value="{{ $shelf->key }}" @selected($shelf->id === $item->shelf_id)>{{ $shelf->name }}</option>@endforeach</select></div></div>
                    @if (count($tabs) > 1 && $parts === [])
                        <div class="field"><label class="label" for="tab">How much of it?</label><div class="select"><select id="tab" name="tab"><option value="">All tabs</option>@foreach ($tabs as $id => $name)<option value="{{ $id }}">Only “{{ $name }}”</option>@endforeach</select></div></div>
                    @endif
                    @if ($history > 1 && $parts === [])
                        <div class="field"><label class="label" for="history">{{ __('copies.history') }}</label><div class="select"><select id="history" name="history" aria-describedby="history-what"><option value="">{{ __('copies.state') }}</option><option value="1" @selected(old('history') === '1')>{{ trans_choice('copies.all', $history, ['count' => App\Words\Numbers::said($history)]) }}</option></select></div><small id="history-what">{{ __('copies.all_note') }}</small></div>
                    @endif
                    @if ($proposed > 0 && $parts === [])
                        <label class="checkbox"><input type="checkbox" name="proposals" value="1" @checked(old('proposals') === '1')> {{ trans_choice('copies.proposals', $proposed) }}</label>
                    @endif
                    @if ($talk > 0)
                        <div class="field"><label class="label" for="talk">What was said about it</label><div class="select"><select id="talk" name="talk" aria-describedby="talk-what"><option value="">stays here</option><option value="open" @selected(old('talk') === 'open')>goes along where it was open then</option><option value="all" @selected(old('talk') === 'all')>goes along, all of it</option></select></div><small id="talk-what">Whoever sees the copy sees it, too, under the names of who said it.</small></div>
                    @endif
                    <div class="dialog-do"><a class="button" href="{{ route('history', ['item' => $item, 'from' => $version->number, 'to' => $item->head]) }}">Cancel</a><button class="button is-dark">Copy it out</button></div>
                </form>
            @endif
        </div>
    </main>
</x-layout>

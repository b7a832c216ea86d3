<x-layout :title="__('place.merge.title', ['name' => $double->name])" body="is-plain">
    <main id="main" class="door"><div class="door-sheet is-wide">
        <h1>{{ __('place.merge.title', ['name' => $double->name]) }}</h1>
        <p class="door-note">{{ __('place.merge.lead', ['address' => $double->email, 'versions' => trans_choice('place.merge.versions', $versions, ['count' => App\Words\Numbers::said($versions)]), 'shelves' => trans_choice('place.merge.shelves', $double->shelves_count, ['count' => (string) $double->shelves_count])]) }} <b>{{ __('place.merge.never') }}</b></p>
        <x-problems />
        @if ($people->isEmpty())
            <p class="notice">{{ __('place.merge.alone') }}</p>
        @else
            <form method="post" action="{{ route('place.merge.store', $double) }}">
                @csrf
                <div class="field"><label class="label" for="into">{{ __('place.merge.into') }}</label><div class="select"><select id="into" name="into" required autofocus><option value="">{{ __('place.merge.choose') }}</option>@foreach ($people as $person)<option value="{{ $person->id }}" @selected(old('into') === (string) $person->id)>{{ $person->name }}, {{ $person->email }}</option>@endforeach</select></div></div>
                <div class="field"><label class="label" for="address">{{ __('place.merge.type', ['address' => $double->email]) }}</label><input class="input" id="address" name="address" maxlength="200" autocomplete="off" value="{{ old('address') }}" required></div>
                <div class="dialog-do"><a class="button" href="{{ route('place') }}">{{ __('place.merge.cancel') }}</a><button class="button is-danger">{{ __('place.merge.do') }}</button></div>
            </form>
        @endif
    </div></main>
</x-layout>

<x-layout :title="__('views/move.move', ['title' => $item->title])" body="is-plain">
    <main id="main" class="door"><div class="door-sheet is-wide">
        <h1>{{ __('views/move.move_to_another_shelf', ['title' => $item->title]) }}</h1>
        <x-problems />
        @if ($shelves->isEmpty())
            <p class="notice">{{ __('views/move.there_is_no_other_shelf_on') }}</p>
            <p><a class="button" href="{{ route('item', $item) }}">{{ __('views/move.back') }}</a></p>
        @elseif ($plan === null)
            <form method="get" action="{{ route('item.move', $item, false) }}">
                <div class="field"><label class="label" for="to">{{ __('views/move.which_one') }}</label><div class="select"><select id="to" name="to" autofocus>@foreach ($shelves as $shelf)<option value="{{ $shelf->key }}">{{ $shelf->name }}</option>@endforeach</select></div></div>
                <div class="dialog-do"><a class="button" href="{{ route('item', $item) }}">{{ __('views/move.cancel') }}</a><button class="button is-dark">{{ __('views/move.see_what_changes') }}</button></div>
            </form>
        @else
            <p class="door-note">{{ __('views/move.from_shelf_to_shelf', ['from' => $item->shelf->name, 'to' => $plan->to->name]) }}</p>
            @if ($plan->people === [])
                <p>{{ __('views/move.the_same_people_may_do_the') }}</p>
            @else
                <table class="items plain-rows">
                    <thead><tr><th>{{ __('views/move.who') }}</th><th>{{ __('views/move.now') }}</th><th>{{ __('views/move.there') }}</th></tr></thead>
                    <tbody>@foreach ($plan->people as $person)<tr><td>{{ $person['name'] }}</td><td>{{ $person['was'] === null ? __('views/move.does_not_see_it') : __("keeping.move.roles.{$person['was']}") }}</td><td><b>{{ $person['is'] === null ? __('views/move.no_longer_sees_it') : __("keeping.move.roles.{$person['is']}") }}</b></td></tr>@endforeach</tbody>
                </table>
            @endif
            @if ($plan->rules !== [])<ul class="hangs">@foreach ($plan->rules as $rule)<li>{{ $rule }}</li>@endforeach</ul>@endif
            <form method="post" action="{{ route('item.moved', $item) }}">@csrf @method('put')<input type="hidden" name="to" value="{{ $plan->to->key }}"><div class="dialog-do"><a class="button" href="{{ route('item.move', $item, false) }}">{{ __('views/move.another_shelf') }}</a><button class="button is-dark" autofocus>{{ __('views/move.move_it') }}</button></div></form>
        @endif
    </div></main>
</x-layout>

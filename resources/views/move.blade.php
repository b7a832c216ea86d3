<x-layout :title="'Move '.$item->title" body="is-plain">
    <main id="main" class="door"><div class="door-sheet is-wide">
        <h1>Move “{{ $item->title }}” to another shelf</h1>
        <x-problems />
        @if ($shelves->isEmpty())
            <p class="notice">There is no other shelf on which you may make things.</p>
            <p><a class="button" href="{{ route('item', $item) }}">Back</a></p>
        @elseif ($plan === null)
            <form method="get" action="{{ route('item.move', $item, false) }}">
                <div class="field"><label class="label" for="to">Which one?</label><div class="select"><select id="to" name="to" autofocus>@foreach ($shelves as $shelf)<option value="{{ $shelf->key }}">{{ $shelf->name }}</option>@endforeach</select></div></div>
                <div class="dialog-do"><a class="button" href="{{ route('item', $item) }}">Cancel</a><button class="button is-dark">See what changes…</button></div>
            </form>
        @else
            <p class="door-note">From “{{ $item->shelf->name }}” to “{{ $plan->to->name }}”, with its whole history, milestones and public address.</p>
            @if ($plan->people === [])
                <p>The same people may do the same with it as now.</p>
            @else
                <table class="items plain-rows">
                    <thead><tr><th>Who</th><th>Now</th><th>There</th></tr></thead>
                    <tbody>@foreach ($plan->people as $person)<tr><td>{{ $person['name'] }}</td><td>{{ $person['was'] === null ? 'does not see it' : __("keeping.move.roles.{$person['was']}") }}</td><td><b>{{ $person['is'] === null ? 'no longer sees it' : __("keeping.move.roles.{$person['is']}") }}</b></td></tr>@endforeach</tbody>
                </table>
            @endif
            @if ($plan->rules !== [])<ul class="hangs">@foreach ($plan->rules as $rule)<li>{{ $rule }}</li>@endforeach</ul>@endif
            <form method="post" action="{{ route('item.moved', $item) }}">@csrf @method('put')<input type="hidden" name="to" value="{{ $plan->to->key }}"><div class="dialog-do"><a class="button" href="{{ route('item.move', $item, false) }}">Another shelf…</a><button class="button is-dark" autofocus>Move it</button></div></form>
        @endif
    </div></main>
</x-layout>

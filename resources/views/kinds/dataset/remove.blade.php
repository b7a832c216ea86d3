<x-layout :title="'Remove a field of '.$item->title" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet is-wide data-hangs">
            <h1>Remove “{{ $field->string('name') }}” from “{{ $item->title }}”?</h1>
            <p class="door-note">{{ $field->string('expression') !== '' ? 'It is calculated, so no value is lost with it.' : trans_choice('{0} No record has a value there.|{1} One record has a value there.|[2,*] :count records have a value there.', $values, ['count' => App\Words\Numbers::said($values)]) }} It stays in the history, and can be brought back alone.</p>
            <x-problems />
            @if ($calculated !== [])<h2>Calculated from it</h2><ul>@foreach ($calculated as $other)<li>“{{ $other->string('name') }}”</li>@endforeach</ul>@endif
            @if ($widgets !== [])<h2>Drawn from it</h2><ul>@foreach ($widgets as $one)<li>“{{ $one['widget']->string('title') }}” in <a href="{{ route('item', $one['report']) }}">{{ $one['report']->title }}</a></li>@endforeach</ul>@endif
            @if ($calculated === [] && $widgets === [])<p>Nothing that you may see hangs on it.</p>@else<p><b>These stop working</b> until it is back, or until they are pointed elsewhere.</p>@endif
            <form class="dialog-do" method="post" action="{{ route('field.remove', [$item, $field->id]) }}">@csrf @method('delete')<input type="hidden" name="base" value="{{ $item->root }}"><a class="button" href="{{ route('item', $item) }}">Cancel</a><button class="button is-dark">Remove it</button></form>
        </div>
    </main>
</x-layout>

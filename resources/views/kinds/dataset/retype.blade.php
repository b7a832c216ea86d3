<x-layout :title="'Make a field of '.$item->title.' another type'" body="is-plain">
    <main id="main" class="door">
        <form class="door-sheet is-wide data-hangs" method="post" action="{{ route('field.save', [$item, $field->id]) }}">
            @csrf @method('put')<input type="hidden" name="sure" value="1">
            @foreach ($sent as $name => $value)<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach
            <h1>Make “{{ $field->string('name') }}” {{ __("data.as.{$type->type}") }}?</h1>
            <p class="door-note">It is {{ __("data.as.{$field->string('type')}") }}, and {{ trans_choice('{1} one record has a value there|[2,*] :count records have a value there', $values, ['count' => App\Words\Numbers::said($values)]) }}. {{ $ways?->differ() ? 'What can’t be read stays as it is, and counts as nothing until it is mended.' : (in_array($type->type, ['text', 'choice'], true) ? 'Each stays as it is written.' : ($left === 0 ? 'All of them can be read so.' : trans_choice('data.left_unread', $left, ['count' => App\Words\Numbers::said($left), 'kept' => implode(', ', array_map(fn (string $text) => '“'.Str::limit($text, 30).'”', $kept)).($left > count($kept) ? ' and others' : '')]))) }}</p>
            <x-problems />
            @if ($ways?->differ())<fieldset class="data-ways"><legend>How are its numbers written?</legend>@include('kinds.dataset.ways', ['ways' => $ways, 'name' => 'decimal'])</fieldset>@endif
            @if ($calculated !== [])<h2>Calculated from it</h2><ul>@foreach ($calculated as $other)<li>“{{ $other->string('name') }}”</li>@endforeach</ul>@endif
            @if ($widgets !== [])<h2>Drawn from it</h2><ul>@foreach ($widgets as $one)<li>“{{ $one['widget']->string('title') }}” in <a href="{{ route('item', $one['report']) }}">{{ $one['report']->title }}</a></li>@endforeach</ul>@endif
            @if ($calculated !== [] || $widgets !== [])<p>These go by what the field is. Those that need it to be what it was stop working, and say so.</p>@else<p>Nothing that you may see hangs on it.</p>@endif
            <div class="dialog-do"><a class="button" href="{{ route('item', $item) }}">Cancel</a><button class="button is-dark">Make it {{ __("data.as.{$type->type}") }}</button></div>
        </form>
    </main>
</x-layout>

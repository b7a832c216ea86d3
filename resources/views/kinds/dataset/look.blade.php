<x-layout title="What would be taken in" body="is-item">
    <main id="main" class="listing data-look">
        <h1>{{ trans_choice('{0} No record|{1} One record|[2,*] :count records', count($source->records), ['count' => App\Words\Numbers::said(count($source->records))]) }} with {{ trans_choice('{1} one field|[2,*] :count fields', count($source->names)) }}</h1>
        <p class="plan-lead">Nothing is made yet. Say what each field is where it was not seen rightly; what can’t be read as that stays what it is, and is counted.</p>
        @if (count($source->tabs) > 1)
            <form class="data-tabs" method="post" action="{{ route('dataset.look', $shelf) }}">@csrf<input type="hidden" name="seal" value="{{ $seal }}"><input type="hidden" name="title" value="{{ $title }}"><label for="tab">From the tab</label> <div class="select"><select id="tab" name="tab">@foreach ($source->tabs as $at => $name)<option value="{{ $at }}" @selected($at === $tab)>{{ $name }}</option>@endforeach</select></div> <button class="button">Look at that one</button></form>
        @endif
        @if ($readers !== null)<p class="notice">{{ $readers }}</p>@endif
        <x-problems />
        <form method="post" action="{{ route('dataset.store', $shelf) }}" data-slow="Taking it in…">
            @csrf
            <input type="hidden" name="seal" value="{{ $seal }}">
            <div class="data-name"><label class="label" for="title">What is it called?</label><input class="input" id="title" name="title" value="{{ $title }}" maxlength="{{ config('attic.title') }}"></div>
            <div class="entries-table" tabindex="0" role="region" aria-label="The first records">
                <table class="versions data-table">
                    <thead><tr>@foreach ($source->names as $field => $name)<th scope="col">{{ $name }}<br>@if ($source->isKnown((string) $field))<small>{{ __("data.types.{$types[$field]->type}") }}</small>@else<div class="select"><select name="types[{{ $field }}]" aria-label="What “{{ $name }}” is">@foreach (App\Kinds\Dataset\DatasetView::TYPES as $type)<option value="{{ $type }}" @selected($types[$field]->type === $type)>{{ __("data.types.{$type}") }}</option>@endforeach</select></div>@endif</th>@endforeach</tr></thead>
                    <tbody>@foreach (array_slice($source->records, 0, 12) as $cells)<tr>@foreach ($source->names as $field => $name)<td>{{ Str::limit(MistyAttic\Core\Kinds\Cell::show($cells[$field] ?? null), 60) }}</td>@endforeach</tr>@endforeach</tbody>
                </table>
            </div>
            @if (count($source->records) > 12)<p class="form-same">and {{ App\Words\Numbers::said(count($source->records) - 12) }} more</p>@endif
            @foreach ($ways as $field => $way)@continue(! $way->differ())
                <fieldset class="data-ways"><legend>How are the numbers of “{{ $source->names[$field] }}” written?</legend>@include('kinds.dataset.ways', ['ways' => $way, 'name' => "decimals[{$field}]"])@if ($types[$field]->currency !== '')<p class="data-kept">It is kept in {{ $types[$field]->currency }}; money that names another currency stays as it is, and no sum counts it.</p>@endif</fieldset>
            @endforeach
            <div class="changes-do"><button class="button is-dark">Take it in</button><a class="button" href="{{ route('dataset.new', $shelf) }}">Not this</a></div>
        </form>
    </main>
</x-layout>

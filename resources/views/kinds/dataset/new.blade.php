<x-layout title="A new dataset" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet is-wide data-new-from">
            <h1>A new dataset</h1>
            <p class="door-note">Records with typed fields, which reports draw from. You see what would be taken in before it is.</p>
            <x-problems />
            <form method="post" action="{{ route('dataset.look', $shelf) }}" enctype="multipart/form-data" data-slow="Reading…">
                @csrf
                <h2>From a file</h2>
                <div class="field"><input class="file-in" type="file" name="file" required accept=".csv,.tsv,.xlsx,.ods,.json" aria-label="Which file?" aria-describedby="file-what"><small id="file-what">CSV, TSV, XLSX, ODS or JSON (a list of records), up to 10 MB; the first line has the names</small></div>
                <div class="dialog-do"><button class="button is-dark">Look at it</button></div>
            </form>
            @if ($items->isNotEmpty())
                <form method="post" action="{{ route('dataset.look', $shelf) }}">
                    @csrf
                    <h2>From a spreadsheet or the entries of a form</h2>
                    <div class="field"><label class="label" for="from">Which?</label><div class="select"><select id="from" name="from">
                        @foreach ($items as $item)
                            @if ($item->kind === 'form')<option value="{{ $item->key }}">Entries of {{ Str::limit($item->title, 60) }}</option>
                            @else @foreach ($tabs($item) as $tab)<option value="{{ $item->key }}/{{ $tab->id }}">{{ Str::limit($item->title, 60) }}{{ $tab->string('name') === '' ? '' : ", {$tab->string('name')}" }}</option>@endforeach @endif
                        @endforeach
                    </select></div></div>
                    <div class="field"><label class="label" for="version">Which version?</label><div class="select"><select id="version" name="version"><option value="">Always as it is now: follow it</option>
                        @foreach ($items as $item)
                            @foreach ($item->versions->whereNotNull('milestone')->sortByDesc('number') as $version)<option value="{{ $item->key }}:{{ $version->number }}">{{ Str::limit($item->title, 40) }}, “{{ $version->milestone->name }}”</option>@endforeach
                        @endforeach
                    </select></div></div>
                    <div class="dialog-do"><button class="button is-dark">Look at it</button></div>
                </form>
            @endif
            <form method="post" action="{{ route('dataset.store', $shelf) }}">
                @csrf
                <h2>Empty</h2>
                <div class="field"><label class="label" for="title">What is it called?</label><input class="input" id="title" name="title" maxlength="{{ config('attic.title') }}"></div>
                <div class="dialog-do"><a class="button" href="{{ route('shelf', $shelf) }}">Cancel</a><button class="button">Make it empty</button></div>
            </form>
        </div>
    </main>
</x-layout>

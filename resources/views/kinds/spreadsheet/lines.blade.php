@foreach ($sheetLines as $line)
    @if ($line->same > 0)
        <tr class="gap"><td colspan="{{ count($sheet->columns) + 1 }}">{{ trans_choice('history.sheet.same', $line->same, ['count' => App\Words\Numbers::said($line->same)]) }}</td></tr>
    @else
        <tr id="part-{{ $line->id }}" class="was-{{ $line->state }} @if ($line->isHeading) is-heading-row @endif @if ($line->note) was-moved @endif @if ($line->editor) by-{{ $line->editor->colour }} @if (! $address->highlights($line->editor->id)) is-quiet @endif @endif">
            <th scope="row">{{ $line->number }}@if ($line->editor) <x-monogram :user="$line->editor" />@endif @if ($line->note)<small>{{ $line->note }}</small>@endif</th>
            @foreach ($line->cells as $cell)
                @if ($isByAuthor)
                    <td data-cell="{{ $line->id }}/{{ $cell->column }}" class="{{ $cell->classes }} @if ($cell->author !== null) @if ($address->show === 'age') age age-{{ $cell->author->age }} @elseif ($cell->author->user !== null) is-theirs by-{{ $cell->author->user->colour }} @if (! $address->highlights($cell->author->user->id)) is-quiet @endif @endif @endif" @if ($cell->author !== null) title="{{ $cell->author->words }}" @endif>{{ $cell->now }}</td>
                @elseif ($cell->state === 'same')
                    <td data-cell="{{ $line->id }}/{{ $cell->column }}" class="{{ $cell->classes }}">{{ $cell->now }}</td>
                @else
                    <td id="part-{{ $line->id }}/{{ $cell->column }}" data-cell="{{ $line->id }}/{{ $cell->column }}" class="{{ $cell->classes }} @if ($cell->editor && ! $address->highlights($cell->editor->id)) is-quiet @endif" @if ($cell->state === 'moved-on') data-why @endif>@if ($cell->old !== null && $cell->old !== '')<s class="cell-old">{{ $cell->old }}</s>@endif @if ($cell->editor)<x-monogram :user="$cell->editor" />@endif<span class="cell-now">{{ $cell->now }}</span>@if ($cell->difference)<small class="cell-by">{{ $cell->difference }}</small>@endif</td>
                @endif
            @endforeach
        </tr>
    @endif
@endforeach
@if ($start + $chunk < $sheet->count())
    <tr class="gap" data-more="{{ $start + $chunk }}"><td colspan="{{ count($sheet->columns) + 1 }}"><a href="{{ $address->with([], 'lines') }}&amp;start={{ $start + $chunk }}">{{ __('views/kinds/spreadsheet.lines.more', ['chunk' => App\Words\Numbers::said($sheet->count() - $start - $chunk)]) }}</a></td></tr>
@endif

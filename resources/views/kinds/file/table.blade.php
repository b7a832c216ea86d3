@foreach ($tree->children()[MistyAttic\Core\Content\PartTree::ROOT] ?? [] as $tab)
    @php($below = array_map($tree->get(...), $tree->children()[$tab] ?? []))
    @php($columns = array_values(array_filter($below, fn ($part) => $part->role === $kind->grid()->column)))
    <div class="paper file-sheet">
        @if ($tree->get($tab)->string('name') !== '')<h2>{{ $tree->get($tab)->string('name') }}</h2>@endif
        <table class="lined"><tbody>
            @foreach (array_slice(array_values(array_filter($below, fn ($part) => $part->role === $kind->grid()->row)), 0, 200) as $row)
                <tr data-part="{{ $row->id }}">@foreach ($columns as $column)<td>{{ MistyAttic\Core\Kinds\Cell::show($row->fields[$column->id] ?? null) }}</td>@endforeach</tr>
            @endforeach
        </tbody></table>
    </div>
@endforeach

@foreach ($tables as $table)
    <div class="paper file-sheet">
        @if ($table['name'] !== '')<h2>{{ $table['name'] }}</h2>@endif
        <table class="lined"><tbody>
            @foreach ($table['rows'] as $id => $cells)
                <tr data-part="{{ $id }}">@foreach ($cells as $cell)<td>{{ $cell }}</td>@endforeach</tr>
            @endforeach
        </tbody></table>
    </div>
@endforeach

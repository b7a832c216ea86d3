<div class="visitor-table" tabindex="0" role="region" aria-label="{{ $item->title }}">
    <table>
        <thead><tr><th scope="col"><span class="is-unseen">{{ __('proposing.link.row') }}</span></th>@foreach ($form->columns as $column)<th scope="col">{{ $form->head($column) }}</th>@endforeach</tr></thead>
        <tbody>
            @foreach ($form->rows() as $number => $row)
                <tr>
                    <th scope="row">{{ $number }}</th>
                    @foreach ($form->columns as $column)
                        @foreach ([[$form->field($row, $column), is_string($row) ? $row : $row->id]] as [$field, $id])<td>@if ($field === null)<span class="visitor-result">{{ $form->shown($row, $column) }}</span>@elseif (str_contains($field, "\n"))<textarea class="textarea" rows="2" dir="auto" name="parts[{{ $id }}][{{ $column->id }}]" aria-label="{{ $form->name($number, $column) }}">{{ $sent['parts'][$id][$column->id] ?? $field }}</textarea>@else<input class="input" dir="auto" name="parts[{{ $id }}][{{ $column->id }}]" value="{{ $sent['parts'][$id][$column->id] ?? $field }}" aria-label="{{ $form->name($number, $column) }}">@endif</td>@endforeach
                    @endforeach
                </tr>
            @endforeach
        </tbody>
    </table>
</div>
@if ($form->more > 0)<p class="ask-help">{{ trans_choice('proposing.link.more_columns', $form->more, ['count' => App\Words\Numbers::said($form->more)]) }}</p>@endif
@if ($form->hasResults())<p class="ask-help">{{ __('proposing.link.worked_out') }}</p>@endif

<div class="state is-data @if ($data->was) is-was @endif" tabindex="0" role="region" aria-label="{{ $data->was ? __('views/kinds/dataset.past.version_read_only', ['number' => $from->number]) : __('views/kinds/dataset.past.what_changed_between', ['number' => $from->number, 'later' => $to->number]) }}" data-state>
    @if ($data->was)@include('history.banner')@endif
    <div class="data-past" tabindex="0" role="region" aria-label="{{ __('views/kinds/dataset.past.its_records') }}">
        <table class="versions data-table">
            <thead><tr>
                @foreach ($data->fields as $field)
                    <th scope="col" id="part-{{ $field->part->id }}" data-part="{{ $field->part->id }}" @class(['is-'.$data->state($field), "by-{$data->editor($field)?->colour}" => $data->editor($field) !== null])>
                        @if ($field->before !== null && $field->before->string('name') !== $field->part->string('name'))<del>{{ $field->before->string('name') }}</del> @endif{{ $field->part->string('name') }}
                        <small>@if ($field->before !== null && $data->kind($field->before) !== $data->kind($field->part))<del>{{ $data->kind($field->before) }}</del> <ins>{{ $data->kind($field->part) }}</ins>@else{{ $data->kind($field->part) }}@endif</small>
                        @if ($data->state($field) === 'added')<small>{{ __('views/kinds/dataset.past.new_field') }}</small>@elseif ($data->state($field) === 'removed')<small>{{ __('views/kinds/dataset.past.field_removed') }}</small>@endif
                    </th>
                @endforeach
                @if ($data->same > 0)<td class="data-same-fields">{{ trans_choice('views/kinds/dataset.past.one_field_the_same', $data->same) }}</td>@endif
            </tr></thead>
            <tbody>
                @foreach ($data->lines as $line)
                    @if (is_int($line))
                        <tr class="data-same"><td colspan="{{ max(1, count($data->fields) + ($data->same > 0 ? 1 : 0)) }}">{{ trans_choice('views/kinds/dataset.past.one_record_the_same', $line, ['count' => App\Words\Numbers::said($line)]) }}</td></tr>
                    @else
                        <tr id="part-{{ $line->part->id }}" data-part="{{ $line->part->id }}" @class(['is-'.$data->state($line), "by-{$data->editor($line)?->colour}" => $data->editor($line) !== null])>
                            @foreach ($data->fields as $field)
                                @foreach ([$data->cell($line, $field->part->id)] as [$was, $is])<td @if ($was !== $is && $line->before !== null) id="part-{{ $line->part->id }}/{{ $field->part->id }}" @endif>@if ($data->state($line) === 'removed')<del>{{ $is }}</del>@elseif ($data->state($line) === 'added')<ins>{{ $is }}</ins>@elseif ($was !== $is)<del>{{ $was }}</del> <ins>{{ $is }}</ins>@else{{ $is }}@endif</td>@endforeach
                            @endforeach
                            @if ($data->same > 0)<td></td>@endif
                        </tr>
                    @endif
                @endforeach
            </tbody>
        </table>
        @if ($data->more > 0)<p class="form-same">{{ __('views/kinds/dataset.past.and_more', ['more' => App\Words\Numbers::said($data->more)]) }}</p>@endif
    </div>
</div>

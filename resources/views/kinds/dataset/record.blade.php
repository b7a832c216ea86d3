<x-layout :title="__('views/kinds/dataset.record.a_record_of', ['title' => $item->title])" body="is-item">
    <x-item-head :item="$item" at="write" />
    <main id="main" class="answering">
        <h2>{{ $record === null ? __('views/kinds/dataset.record.a_new_record') : __('views/kinds/dataset.record.record').App\Words\Numbers::said($at - $before + 1) }}</h2>
        <x-problems />
        <form method="post" action="{{ route('record.save', [$item, $record->id ?? 'new']) }}">
            @csrf @method('put')<input type="hidden" name="base" value="{{ $item->root }}">@if ($at !== null)<input type="hidden" name="at" value="{{ $at }}">@endif
            @foreach ($fields as [$field, $value])
                <div class="field"><label class="label" for="v-{{ $field->id }}">{{ $field->string('name') }} <small>{{ __("data.types.{$field->string('type')}") }}</small></label>
                    @if ($field->string('type') === 'boolean')
                        <div class="select"><select id="v-{{ $field->id }}" name="values[{{ $field->id }}]"><option value=""></option><option value="yes" @selected($value === 'yes')>{{ __('views/kinds/dataset.record.yes') }}</option><option value="no" @selected($value === 'no')>{{ __('views/kinds/dataset.record.no') }}</option>@unless (in_array($value, ['', 'yes', 'no'], true))<option value="{{ $value }}" selected>{{ $value }}</option>@endunless</select></div>
                    @elseif (str_contains($value, "\n"))
                        <textarea class="textarea" id="v-{{ $field->id }}" name="values[{{ $field->id }}]" rows="{{ min(8, 1 + substr_count($value, "\n")) }}" dir="auto">{{ "\n".$value }}</textarea>
                    @elseif ($field->string('type') === 'choice' && $field->strings('choices') !== [])
                        <input class="input" id="v-{{ $field->id }}" name="values[{{ $field->id }}]" value="{{ $value }}" list="c-{{ $field->id }}"><datalist id="c-{{ $field->id }}">@foreach ($field->strings('choices') as $choice)<option value="{{ $choice }}"></option>@endforeach</datalist>
                    @else
                        <input class="input" id="v-{{ $field->id }}" name="values[{{ $field->id }}]" value="{{ $value }}" @if ($field->string('type') === 'date' && ($value === '' || App\Kinds\Dataset\DatasetView::isDay($value))) type="date" @endif>
                    @endif
                </div>
            @endforeach
            <div class="answer-do"><button class="button is-dark">{{ __('views/kinds/dataset.record.save') }}</button><a class="button" href="{{ route('item', $item) }}">{{ __('views/kinds/dataset.record.cancel') }}</a>@if ($record !== null)<a class="button is-quiet" href="{{ route('part', [$item, $record->id]) }}">{{ __('views/kinds/dataset.record.its_history') }}</a><button class="button is-quiet" form="remove">{{ __('views/kinds/dataset.record.remove_it') }}</button>@endif</div>
        </form>
        @if ($record !== null)<form id="remove" method="post" action="{{ route('record.remove', [$item, $record->id]) }}" hidden>@csrf @method('delete')<input type="hidden" name="base" value="{{ $item->root }}"></form>@endif
    </main>
</x-layout>

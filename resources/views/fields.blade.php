<x-layout :kind="$item->kind" :title="$item->title" body="is-item">
    <x-item-head :item="$item" at="write"><x-when :at="$item->changed_at" /></x-item-head>
    <main id="main" class="answering is-fields" @can('draft', $item) data-histories="{{ route('item', $item, false) }}/parts" @endcan data-looked>
        <x-problems />
        <form method="post" action="{{ route('fields.save', $item) }}" class="answer-form" data-state>
            @csrf @method('put')
            <input type="hidden" name="base" value="{{ $item->root }}">
            @if ($fields->tree->parts === [])<p class="ask-help">{{ __('fields.none') }}</p>@endif
            @foreach ($fields->tree->parts as $part)
                <fieldset class="part-fields depth-{{ min($part->depth, 5) }}" data-part="{{ $part->id }}" @cannot('write', $item) disabled @endcannot>
                    <legend>{{ Str::ucfirst(App\View\Desks\PartFields::said($part->role)) }}: {{ $fields->kind->label($fields->tree, $part) ?: __('fields.without_name') }}</legend>
                    @foreach ($fields->of($part) as $name => [$way, $value])
                        @if ($way === 'tick')
                            <label class="part-field is-tick"><input type="hidden" name="parts[{{ $part->id }}][{{ $name }}]" value=""><input type="checkbox" name="parts[{{ $part->id }}][{{ $name }}]" value="1" @checked(old("parts.{$part->id}") === null ? $value : old("parts.{$part->id}.{$name}"))> {{ App\View\Desks\PartFields::said($name) }}</label>
                        @else
                            <div class="part-field"><label for="{{ $part->id }}-{{ $name }}">{{ App\View\Desks\PartFields::said($name) }}</label>
                                @if ($way === 'text')<textarea id="{{ $part->id }}-{{ $name }}" class="textarea" rows="2" name="parts[{{ $part->id }}][{{ $name }}]">{{ old("parts.{$part->id}.{$name}", $value) }}</textarea>
                                @else<input id="{{ $part->id }}-{{ $name }}" class="input" @if ($way === 'number') inputmode="decimal" @endif name="parts[{{ $part->id }}][{{ $name }}]" value="{{ old("parts.{$part->id}.{$name}", $value) }}">@endif
                            </div>
                        @endif
                    @endforeach
                    @can('write', $item)<label class="part-field is-tick"><input type="checkbox" name="gone[]" value="{{ $part->id }}" @checked(in_array($part->id, (array) old('gone'), true))> {{ __('fields.remove') }}</label>@endcan
                </fieldset>
            @endforeach
            @can('write', $item)
                <div class="answer-do"><label>{{ __('fields.add') }} <select name="add" class="select"><option value="">{{ __('fields.add_nothing') }}</option>@foreach ($fields->places() as $place => $said)<option value="{{ $place }}" @selected(old('add') === $place)>{{ $said }}</option>@endforeach</select></label>
                    <button class="button is-dark">{{ __('fields.save') }}</button><a class="button" href="{{ route('history', $item) }}">{{ __('views/fields.history') }}</a></div>
            @endcan
        </form>
        @includeWhen($slips !== null, 'talk.slips', $slips ?? [])
    </main>
</x-layout>

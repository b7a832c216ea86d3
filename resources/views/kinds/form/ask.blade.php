@if ($question->string('type') === 'note')
    <div class="ask is-note">{{ App\View\SpanHtml::plain($question->richText()) }}</div>
@elseif (in_array($question->string('type'), ['one', 'several', 'scale', 'yes_no', 'grid'], true))
    <fieldset class="ask @if ($wrong) is-wrong @endif" id="q-{{ $question->id }}" @if (($described = $answering->describedBy($question, $wrong)) !== '') aria-describedby="{{ $described }}" @endif>
        <legend>{{ App\View\SpanHtml::plain($question->richText()) }} @unless ($answering->saysWhetherItMust($question))<small>{{ __('views/kinds/form.ask.if_you_like') }}</small>@endunless</legend>
        @include('kinds.form.ask-notes')
        @if ($question->string('type') === 'one' || $question->string('type') === 'several')
            @foreach ($answering->below($question, 'choice') as $choice)
                <label class="ask-choice"><input type="{{ $question->string('type') === 'one' ? 'radio' : 'checkbox' }}" name="{{ $name }}{{ $question->string('type') === 'several' ? '[]' : '' }}" value="{{ $choice->id }}" @checked($answering->isChosen($question->id, $choice->id))> {{ $choice->string('label') }}@if ($choice->fields['gone'] ?? false) <small>{{ __('views/kinds/form.ask.not_offered_any_more') }}</small>@endif</label>
                @if (($choice->fields['other'] ?? false) === true)<input class="input ask-other" name="a[other-{{ $question->id }}]" value="{{ $answering->sent("other-{$question->id}") }}" maxlength="500" aria-label="{{ __('views/kinds/form.ask.in_your_words', ['string' => $choice->string('label')]) }}">@endif
            @endforeach
        @elseif ($question->string('type') === 'yes_no')
            @foreach (['yes' => __('views/kinds/form.ask.yes'), 'no' => __('views/kinds/form.ask.no')] as $value => $word)<label class="ask-choice"><input type="radio" name="{{ $name }}" value="{{ $value }}" @checked($answering->sent($question->id) === $value)> {{ $word }}</label>@endforeach
        @elseif ($question->string('type') === 'scale')
            <div class="ask-scale">@if ($question->string('low') !== '')<span>{{ $question->string('low') }}</span>@endif
                @foreach (range(...$answering->scale($question)) as $step)<label><input type="radio" name="{{ $name }}" value="{{ $step }}" @checked($answering->sent($question->id) === (string) $step)> {{ $step }}</label>@endforeach
                @if ($question->string('high') !== '')<span>{{ $question->string('high') }}</span>@endif</div>
        @else
            <table class="ask-grid">
                <thead><tr><td></td>@foreach ($answering->below($question, 'choice') as $choice)<th scope="col">{{ $choice->string('label') }}</th>@endforeach</tr></thead>
                <tbody>@foreach ($answering->below($question, 'grid_line') as $line)<tr><th scope="row">{{ $line->string('label') }}</th>@foreach ($answering->below($question, 'choice') as $choice)<td><input type="radio" name="{{ $name }}[{{ $line->id }}]" value="{{ $choice->id }}" aria-label="{{ $line->string('label') }}: {{ $choice->string('label') }}" @checked($answering->isChosen($question->id, $choice->id, $line->id))></td>@endforeach</tr>@endforeach</tbody>
            </table>
        @endif
    </fieldset>
@else
    <div class="ask @if ($wrong) is-wrong @endif" id="q-{{ $question->id }}">
        <label class="ask-label" for="i-{{ $question->id }}">{{ App\View\SpanHtml::plain($question->richText()) }} @unless ($answering->saysWhetherItMust($question))<small>{{ __('views/kinds/form.ask.if_you_like') }}</small>@endunless</label>
        @include('kinds.form.ask-notes')
        @if ($question->string('type') === 'long')
            <textarea class="textarea" id="i-{{ $question->id }}" name="{{ $name }}" rows="4" maxlength="20000" @if (($described = $answering->describedBy($question, $wrong)) !== '') aria-describedby="{{ $described }}" @endif @if ($wrong) aria-invalid="true" @endif>{{ $answering->sent($question->id) }}</textarea>
        @elseif ($question->string('type') === 'file')
            @if (($answering->files[$question->id][0] ?? '') !== '')<p class="ask-file">{{ __('views/kinds/form.ask.taken', ['id' => $answering->files[$question->id][1]]) }}</p><input type="hidden" name="file[{{ $question->id }}]" value="{{ App\Kinds\Form\Answering::seal(...$answering->files[$question->id]) }}">@endif
            <input id="i-{{ $question->id }}" type="file" name="upload[{{ $question->id }}]" accept="image/png,image/jpeg,image/gif,image/webp,application/pdf">
        @else
            <input class="input" id="i-{{ $question->id }}" name="{{ $name }}" type="{{ ['email' => 'email', 'date' => 'date', 'time' => 'time'][$question->string('type')] ?? 'text' }}" @if ($question->string('type') === 'number') inputmode="decimal" @endif value="{{ $answering->sent($question->id) }}" maxlength="500" @if (($described = $answering->describedBy($question, $wrong)) !== '') aria-describedby="{{ $described }}" @endif @if ($wrong) aria-invalid="true" @endif>
        @endif
    </div>
@endif

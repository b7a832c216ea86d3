<x-layout :title="__('views/kinds/form.try.trying', ['title' => $item->title])" body="is-item">
    <x-item-head :item="$item" at="try" />
    <main id="main" class="answering">
        <p class="answer-note" role="note"><b>{{ __('views/kinds/form.try.a_try') }}</b> {{ __('views/kinds/form.try.this_is_as_the_person_answering', ['number' => $version->number, 'head' => $version->number === $item->head ? __('views/kinds/form.try.the_newest') : '']) }} <a href="{{ route('try', [$item, $version->number]) }}">{{ __('views/kinds/form.try.from_the_beginning') }}</a></p>
        @if ($answering->page === null && $answering->of > 0)
            <p class="answer-thanks" role="status">{{ $answering->settings()?->richText('thanks')->text() ?: __('views/kinds/form.try.thank_you_your_answers_are_with') }}</p>
            <dl class="entry-gone">@foreach ($answering->answers->entry()->parts as $answer)<div><dt>{{ $answer->string('label') }}</dt><dd>{{ MistyAttic\Core\Kinds\Entry\AnswerText::of($answer) }}</dd></div>@endforeach</dl>
        @else
            @include('kinds.form.answer')
        @endif
    </main>
</x-layout>

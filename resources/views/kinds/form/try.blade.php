<x-layout :title="'Trying '.$item->title" body="is-item">
    <x-item-head :item="$item" at="try" />
    <main id="main" class="answering">
        <p class="answer-note" role="note"><b>A try.</b> This is {{ $version->number }}{{ $version->number === $item->head ? ', the newest,' : '' }} as the person answering sees it. Nothing that you write here is kept. <a href="{{ route('try', [$item, $version->number]) }}">From the beginning</a></p>
        @if ($answering->page === null && $answering->of > 0)
            <p class="answer-thanks" role="status">{{ $answering->settings()?->richText('thanks')->text() ?: 'Thank you. Your answers are with us.' }}</p>
            <dl class="entry-gone">@foreach ($answering->answers->entry()->parts as $answer)<div><dt>{{ $answer->string('label') }}</dt><dd>{{ MistyAttic\Core\Kinds\Entry\AnswerText::of($answer) }}</dd></div>@endforeach</dl>
        @else
            @include('kinds.form.answer')
        @endif
    </main>
</x-layout>

<x-reading :title="'Which of the two? '.$title">
    <main class="answering">
        <h1>Which of the two?</h1>
        <p class="answer-note" role="status">{{ trans_choice('form.met', $held->count()) }}</p>
        <form method="post" action="{{ $action }}" class="answer-form">
            @foreach ($held as ['held' => $edit, 'view' => $view])
                <fieldset class="question">
                    <legend>{{ $edit->place }}</legend>
                    <label class="choice"><input type="radio" name="choice[{{ $edit->id }}]" value="mine" required> <span><b>Yours:</b> {{ $view->text('mine') }}</span></label>
                    <label class="choice"><input type="radio" name="choice[{{ $edit->id }}]" value="theirs"> <span><b>Changed here:</b> {{ $view->text('theirs') }}</span></label>
                </fieldset>
            @endforeach
            <div class="answer-do"><button class="button is-dark">Send</button></div>
        </form>
    </main>
</x-reading>

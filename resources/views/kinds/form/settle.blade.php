<x-reading :title="__('views/kinds/form.settle.which_of_the_two', ['title' => $title])">
    <main class="answering">
        <h1>{{ __('views/kinds/form.settle.which_of_the_two_question') }}</h1>
        <p class="answer-note" role="status">{{ trans_choice('form.met', $held->count()) }}</p>
        <form method="post" action="{{ $action }}" class="answer-form">
            @foreach ($held as ['held' => $edit, 'view' => $view])
                <fieldset class="question">
                    <legend>{{ $edit->place }}</legend>
                    <label class="choice"><input type="radio" name="choice[{{ $edit->id }}]" value="mine" required> <span><b>{{ __('views/kinds/form.settle.yours') }}</b> {{ $view->text('mine') }}</span></label>
                    <label class="choice"><input type="radio" name="choice[{{ $edit->id }}]" value="theirs"> <span><b>{{ __('views/kinds/form.settle.changed_here') }}</b> {{ $view->text('theirs') }}</span></label>
                </fieldset>
            @endforeach
            <div class="answer-do"><button class="button is-dark">{{ __('views/kinds/form.settle.send') }}</button></div>
        </form>
    </main>
</x-reading>

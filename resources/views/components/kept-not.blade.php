@props(['form'])
@if (! $form->keeps_entries)
    <div class="answer-note" role="note"><p><b>{{ __('views/components.kept-not.the_history_of_these_entries_is') }}</b> {{ __('views/components.kept-not.of_each_entry_there_is_what') }}</p></div>
@endif

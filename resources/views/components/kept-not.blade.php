@props(['form'])
@if (! $form->keeps_entries)
    <div class="answer-note" role="note"><p><b>The history of these entries is switched off: no change is kept.</b> Of each entry there is what was sent, what stood when it was switched off, and what stands now; nothing in between, and nobody can bring it back.</p></div>
@endif

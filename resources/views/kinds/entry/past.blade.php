<div class="state is-form @if ($address->view === 'was') is-was @endif" tabindex="0" role="region" aria-label="{{ $address->view === 'was' ? "Version {$from->number}, read only" : "What changed between {$from->number} and {$to->number}" }}" data-state>
    @if ($address->view === 'was')@include('history.banner')@endif
    @include('kinds.form.answers')
</div>

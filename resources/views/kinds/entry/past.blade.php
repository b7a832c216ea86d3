<div class="state is-form @if ($address->view === 'was') is-was @endif" tabindex="0" role="region" aria-label="{{ $address->view === 'was' ? __('views/kinds/entry.past.version_read_only', ['number' => $from->number]) : __('views/kinds/entry.past.what_changed_between', ['number' => $from->number, 'later' => $to->number]) }}" data-state>
    @if ($address->view === 'was')@include('history.banner')@endif
    @include('kinds.form.answers')
</div>

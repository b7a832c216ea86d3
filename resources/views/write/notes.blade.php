@foreach ($held as $edit)
    <div class="note is-held">
        <b>One of your edits is held back</b>
        <p>It met one of {{ App\View\HeldEditView::whose($edit) }} @if ($edit->place !== '')in “{{ $edit->place }}”@endif. That was first; this one is kept here until you settle it.</p>
        <a href="{{ route('held', [$item, $edit]) }}">Settle it</a>
    </div>
@endforeach

@foreach ($held as $edit)
    <div class="note is-held">
        <b>{{ App\View\HeldEditView::title($edit, auth()->user()) }}</b>
        <p>It met {{ App\View\HeldEditView::whose($edit) }}{{ $edit->place === '' ? '' : " in “{$edit->place}”" }}. That was first; this one is kept here until it is settled.</p>
        <a href="{{ route('held', [$item, $edit]) }}">Settle it</a>
    </div>
@endforeach

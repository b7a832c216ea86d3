@foreach ($held as $edit)
    <div class="note is-held">
        <b>{{ App\View\Plans\HeldEditView::title($edit, auth()->user()) }}</b>
        <p>It met {{ App\View\Plans\HeldEditView::whose($edit) }}{{ App\View\Plans\HeldEditView::where($edit, $item, auth()->user()) }}. That was first; this one is kept here until it is settled.</p>
        @can('settle', [$item, $edit])<a href="{{ route('held', [$item, $edit]) }}">Settle it</a>@else<p>{{ __('item.held_for_owner') }}</p>@endcan
    </div>
@endforeach

@foreach ($held as $edit)
    <div class="note is-held">
        <b>{{ App\View\Plans\HeldEditView::title($edit, auth()->user()) }}</b>
        <p>{{ __('views/write.notes.it_met_that_was_first_this', ['edit' => App\View\Plans\HeldEditView::whose($edit), 'user' => App\View\Plans\HeldEditView::where($edit, $item, auth()->user())]) }}</p>
        @can('settle', [$item, $edit])<a href="{{ route('held', [$item, $edit]) }}">{{ __('views/write.notes.settle_it') }}</a>@else<p>{{ __('item.held_for_owner') }}</p>@endcan
    </div>
@endforeach

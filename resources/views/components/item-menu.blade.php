@props(['item'])
<a class="menu-line" href="{{ route('item', $item) }}">{{ __('views/components.item-menu.open') }}</a>
<a class="menu-line" href="{{ route('history', $item) }}">{{ __('views/components.item-menu.history') }}</a>
<a class="menu-line" href="{{ route('list', $item) }}">{{ __('views/components.item-menu.all_versions_as_a_list') }}</a>
<a class="menu-line" href="{{ route('copy', [$item, $item->head]) }}">{{ __('views/components.item-menu.copy_out') }}</a>
@can('entries', $item)<a class="menu-line" href="{{ route('entries', $item) }}">{{ __('views/components.item-menu.entries') }}</a>@elsecan('bringFile', $item)<a class="menu-line" href="{{ route('item.file', $item) }}">{{ __('views/components.item-menu.a_file_as_its_next_version') }}</a>@endcan
@if ($item->isPublishable() && $item->sight === null)
    @if ($item->live !== null && $item->live->version->number < $item->head)<a class="menu-line" href="{{ route('history', ['item' => $item, 'from' => $item->live->version->number, 'to' => $item->head]) }}">{{ __('views/components.item-menu.what_changed_since_it_went_live') }}</a>@endif
    @if (Gate::any(['askToPublish', 'publishNow'], $item))<a class="menu-line" href="{{ route('publish', [$item, $item->head]) }}">{{ __('views/components.item-menu.publish') }}</a>@endif
    @can('publish', $item)
        <form method="post" action="{{ route('public', $item) }}">@csrf @method('put')<input type="hidden" name="open" value="{{ $item->is_public ? '0' : '1' }}"><button class="menu-line">{{ $item->is_public ? __('views/components.item-menu.close_the_public_address') : __('views/components.item-menu.give_it_a_public_address') }}</button></form>
        @if ($item->live !== null)<form method="post" action="{{ route('unpublish', $item) }}">@csrf @method('delete')<button class="menu-line">{{ __('views/components.item-menu.take_it_offline') }}</button></form>@endif
    @endcan
@endif
@if ($item->is_public && $item->live !== null)<a class="menu-line" href="{{ route('read', $item->address) }}">{{ __('views/components.item-menu.read_it_as_the_public_does') }}</a>@endif
<a class="menu-line" href="{{ route('watch', $item) }}">{{ __('views/components.item-menu.watch') }}</a>
@can('delete', $item)
    <a class="menu-line" href="{{ route('item.move', $item) }}">{{ __('views/components.item-menu.move_to_another_shelf') }}</a>
    <a class="menu-line" href="{{ route('item.delete', $item) }}">{{ __('views/components.item-menu.delete') }}</a>
@endcan

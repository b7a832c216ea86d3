@props(['item'])
<a class="menu-line" href="{{ route('item', $item) }}">Open</a>
<a class="menu-line" href="{{ route('history', $item) }}">History</a>
<a class="menu-line" href="{{ route('list', $item) }}">All versions as a list</a>
<a class="menu-line" href="{{ route('copy', [$item, $item->head]) }}">Copy out…</a>
@can('entries', $item)<a class="menu-line" href="{{ route('entries', $item) }}">Entries</a>@elsecan('bringFile', $item)<a class="menu-line" href="{{ route('item.file', $item) }}">A file as its next version…</a>@endcan
@if ($item->isPublishable() && $item->sight === null)
    @if ($item->live !== null && $item->live->version->number < $item->head)<a class="menu-line" href="{{ route('history', ['item' => $item, 'from' => $item->live->version->number, 'to' => $item->head]) }}">What changed since it went live</a>@endif
    @if (Gate::any(['publishNow', 'askToPublish'], $item))<a class="menu-line" href="{{ route('publish', [$item, $item->head]) }}">Publish…</a>@endif
    @can('publish', $item)
        <form method="post" action="{{ route('public', $item) }}">@csrf @method('put')<input type="hidden" name="open" value="{{ $item->is_public ? '0' : '1' }}"><button class="menu-line">{{ $item->is_public ? 'Close the public address' : 'Give it a public address' }}</button></form>
        @if ($item->live !== null)<form method="post" action="{{ route('unpublish', $item) }}">@csrf @method('delete')<button class="menu-line">Take it offline</button></form>@endif
    @endcan
@endif
@if ($item->is_public && $item->live !== null)<a class="menu-line" href="{{ route('read', $item->address) }}">Read it as the public does</a>@endif
<a class="menu-line" href="{{ route('watch', $item) }}">Watch…</a>
@can('delete', $item)
    <a class="menu-line" href="{{ route('item.move', $item) }}">Move to another shelf…</a>
    <a class="menu-line" href="{{ route('item.delete', $item) }}">Delete…</a>
@endcan

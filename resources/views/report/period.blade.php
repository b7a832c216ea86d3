@php($period = MistyAttic\Core\Kinds\Report\Widget::period($page))
@if ($period !== null || $page->strings('filters') !== [])
    <p class="report-period">@if ($period !== null){{ (new DateTimeImmutable($period[0]))->format('j M Y') }} to {{ (new DateTimeImmutable($period[1]))->format('j M Y') }}@endif @if ($page->strings('filters') !== []) · {{ trans_choice('{1} one filter for the whole page|[2,*] :count filters for the whole page', count($page->strings('filters'))) }}@endif</p>
@endif

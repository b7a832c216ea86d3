@php($said = app(App\View\FieldWords::class)->onPage($page))
@if ($said !== '')
    <p class="report-period">{{ $said }}</p>
@endif

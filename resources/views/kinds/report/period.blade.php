@php($said = app(App\Kinds\Report\SettingWords::class)->onPage($page))
@if ($said !== '')
    <p class="report-period">{{ $said }}</p>
@endif

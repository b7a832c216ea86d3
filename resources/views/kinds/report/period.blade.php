@inject('words', 'App\Kinds\Report\SettingWords')
@if (($said = $words->onPage($page)) !== '')
    <p class="report-period">{{ $said }}</p>
@endif

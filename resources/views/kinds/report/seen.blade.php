<x-seen><div class="report-sheet">@include('kinds.report.sheet', ['shown' => '', 'mayWrite' => false, 'data' => 'past'])</div></x-seen>

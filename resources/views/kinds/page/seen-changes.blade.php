<x-seen is-page><div class="page" data-traced>@include('kinds.page.compared', ['side' => 'both', 'named' => true])</div></x-seen>

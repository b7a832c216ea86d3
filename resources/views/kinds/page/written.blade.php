<div class="page">@include('kinds.page.compared', ['side' => 'new', 'named' => true])</div>

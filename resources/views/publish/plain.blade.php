<x-seen><article class="paper prose">@include($view, ['side' => 'both'])</article></x-seen>

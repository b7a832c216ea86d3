<x-seen><article class="paper prose">@foreach ($blocks as $each)@include($block, ['block' => $each, 'side' => 'both'])@endforeach</article></x-seen>

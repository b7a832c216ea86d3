<article class="paper prose">@foreach ($blocks as $block)@include($blockView ?? $past::BLOCK, ['side' => 'new'])@endforeach</article>
@include('history.pieces')

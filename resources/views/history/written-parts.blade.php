<article class="paper prose">@include($blockView ?? $past::BLOCKS, ['side' => 'new'])</article>
@include('history.pieces')

<div class="pictures" data-pictures>
    <div class="pictures-how" role="group" aria-label="{{ __('views/kinds/page.pictures.compare_the_pictures') }}">
        <label><input type="radio" name="pictures-{{ $is->id }}" value="side" checked> {{ __('views/kinds/page.pictures.side_by_side') }}</label>
        <label><input type="radio" name="pictures-{{ $is->id }}" value="over"> {{ __('views/kinds/page.pictures.overlaid') }}</label>
        <label><input type="radio" name="pictures-{{ $is->id }}" value="difference"> {{ __('views/kinds/page.pictures.difference') }}</label>
    </div>
    <div class="pictures-two">
        <img src="{{ route('picture', [$item, $was->string('chunk')]) }}" alt="{{ __('views/kinds/page.pictures.earlier', ['string' => $was->string('alt')]) }}">
        <img src="{{ route('picture', [$item, $is->string('chunk')]) }}" alt="{{ __('views/kinds/page.pictures.later', ['string' => $is->string('alt')]) }}" data-later>
    </div>
    <label class="pictures-slide">{{ __('views/kinds/page.pictures.earlier_end') }} <input type="range" min="0" max="100" value="50" aria-label="{{ __('views/kinds/page.pictures.how_much_of_the_earlier_picture') }}" data-slide> {{ __('views/kinds/page.pictures.later_end') }}</label>
</div>

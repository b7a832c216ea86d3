<x-layout :title="__('views/kinds/dataset.follow.follows_again', ['title' => $item->title])" body="is-plain">
    <main id="main" class="door">
        <div class="door-sheet is-wide data-hangs">
            <h1>{{ __('views/kinds/dataset.follow.let_follow_its_source_again', ['title' => $item->title, 'source' => $item->source->title]) }}</h1>
            <p class="door-note">{{ __('views/kinds/dataset.follow.it_becomes_what_is_now_this', ['title' => $item->source->title]) }}</p>
            <x-problems />
            <h2>{{ __('views/kinds/dataset.follow.what_changes_by_it') }}</h2>
            <ul>@foreach ($sentences as $sentence)<li>{{ $sentence }}</li>@endforeach</ul>
            @if ($more > 0)<p>{{ trans_choice('views/kinds/dataset.follow.and_one_more_change', $more, ['count' => App\Words\Numbers::said($more)]) }}</p>@endif
            <form class="dialog-do" method="post" action="{{ route('dataset.follow', $item) }}">@csrf @method('put')<input type="hidden" name="follow" value="1"><input type="hidden" name="seen" value="{{ $item->head }}"><a class="button" href="{{ route('item', $item) }}">{{ __('views/kinds/dataset.follow.leave_it_as_it_is') }}</a><button class="button is-dark">{{ __('views/kinds/dataset.follow.follow_again') }}</button></form>
        </div>
    </main>
</x-layout>

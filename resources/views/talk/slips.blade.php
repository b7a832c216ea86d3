<section class="slips" aria-label="{{ __('talk.here') }}" data-slips="{{ route('talk', [$item, 'piece' => 1, ...(isset($at) ? ['at' => $at] : []), ...(isset($since) ? ['since' => $since] : [])], false) }}" data-at="{{ $at ?? '' }}" data-head="{{ $item->head }}" data-talked="{{ $item->talked }}">
    <h2 class="slips-more" hidden data-slips-more>{{ __('talk.more') }}</h2>
    @foreach ($talk->threads as $seen){{ $slip->of($seen) }}@endforeach
    @can('comment', $item)
        <template data-talk-form>@include('talk.begin', ['asked' => [], 'about' => ''])</template>
        @include('talk.forms')
    @endcan
</section>

<x-layout :kind="$item->kind" :title="__('talk.title', ['title' => $item->title])" body="is-item">
    <x-item-head :item="$item" at="talk">{{ trans_choice('talk.count', $talk->countOpen()) }}</x-item-head>
    <main id="main" class="listing talk" data-talk-page>
        <div class="bar-row">
            <span class="switch" role="group" aria-label="{{ __('views/talk.show') }}">
                @foreach (__('talk.show') as $which => $said)<a href="{{ route('talk', [$item, 'show' => $which, ...($by === null ? [] : ['by' => $by])]) }}" @if ($show === $which) aria-current="true" @endif>{{ $said }}</a>@endforeach
            </span>
            @if (count($people) > 1)
                <span class="switch" role="group" aria-label="{{ __('views/talk.who') }}">
                    <a href="{{ route('talk', [$item, 'show' => $show]) }}" @if ($by === null) aria-current="true" @endif>{{ __('talk.by_all') }}</a>
                    @foreach (array_slice($people, 0, 6) as $user)<a href="{{ route('talk', [$item, 'show' => $show, 'by' => $user->id]) }}" @if ($by === $user->id) aria-current="true" @endif>{{ __('talk.by', ['name' => $user->firstName()]) }}</a>@endforeach
                </span>
            @endif
        </div>
        <x-problems />
        @if ($talk->threads === [])
            <div class="empty"><p>{{ __('talk.none') }} @if ($mayComment){{ __('talk.none_how') }}@endif</p></div>
        @elseif ($threads === [])
            <div class="empty"><p>{{ __('talk.none_so') }} <a href="{{ route('talk', [$item, 'show' => 'all']) }}">{{ __('talk.show.all') }}</a></p></div>
        @endif
        @foreach ($threads as $seen)
            <section class="talk-thread">
                @if (($stands = $where($seen)) !== '')<p class="talk-where">{{ $stands }}</p>@elseif ($isGone($seen))<p class="talk-where is-gone">{{ __('talk.part_gone', ['when' => __('talk.part_gone_now')]) }}</p>@endif
                {{ $slip->of($seen) }}
                @if ($mayComment && $chosen === $seen->slug)<noscript>@include('talk.thread')</noscript>@endif
            </section>
        @endforeach
        @if ($mayComment)@include('talk.begin', ['focus' => $asked !== []]) @include('talk.forms')@endif
    </main>
</x-layout>

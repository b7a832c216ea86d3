<x-reading :title="$item->title">
    <main class="answering is-texts">
        <h1>{{ $item->title }}</h1>
        <p class="ask-help">{{ trans_choice('proposing.link.lead', $link->most - $link->used, ['until' => App\Words\Days::long($link->ends_at), 'left' => (string) ($link->most - $link->used)]) }}</p>
        @if ($form->pages() !== [])
            <nav class="visitor-pages" aria-label="{{ __('proposing.link.pages') }}">
                @foreach ($form->pages() as $page)<a href="{{ route('visitor', [$link->token, ...$page['asks']]) }}" @if ($page['isHere']) aria-current="page" @endif>{{ $page['name'] }}</a> @endforeach
                <p class="ask-help">{{ __('proposing.link.one_page') }}</p>
            </nav>
        @endif
        @if ($problem !== null)<p class="answer-problems" role="alert">{{ $problem }}</p>@endif
        <form method="post" action="{{ route('visitor.send', [$link->token, ...array_filter($asked)]) }}" class="answer-form">
            <input type="hidden" name="base" value="{{ $sent['base'] ?? $item->root }}">
            <p class="visitor-name"><label for="name">{{ __('proposing.link.name') }}</label><input id="name" class="input" name="name" maxlength="60" value="{{ $sent['name'] ?? '' }}" autocomplete="name" required @if ($problem !== null) autofocus @endif></p>
            @include($form->view())
            @if ($form->takesMore())<p><label for="added">{{ __('proposing.link.added') }}</label><textarea id="added" class="textarea" dir="auto" rows="2" name="added">{{ $sent['added'] ?? '' }}</textarea></p>@endif
            <div class="answer-do"><button class="button is-dark">{{ __('proposing.link.send') }}</button></div>
        </form>
    </main>
</x-reading>

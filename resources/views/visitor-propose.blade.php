<x-reading :title="$item->title">
    <main class="answering is-texts">
        <h1>{{ $item->title }}</h1>
        <p class="ask-help">{{ trans_choice('proposing.link.lead', $link->most - $link->used, ['until' => App\Words\Days::long($link->ends_at), 'left' => (string) ($link->most - $link->used)]) }}</p>
        @if ($problem !== null)<p class="answer-problems" role="alert">{{ $problem }}</p>@endif
        <form method="post" action="{{ route('visitor.send', $link->token) }}" class="answer-form">
            <input type="hidden" name="base" value="{{ $sent['base'] ?? $item->root }}">
            <p><label for="name">{{ __('proposing.link.name') }}</label><input id="name" class="input" name="name" maxlength="60" value="{{ $sent['name'] ?? '' }}" autocomplete="name" required @if ($problem !== null) autofocus @endif></p>
            @foreach ($fields->tree->parts as $part)
                @foreach ($fields->of($part) as $name => [$way, $value])
                    @continue($way !== 'text' || $value === '')
                    <textarea aria-label="{{ ucfirst(App\View\Desks\PartFields::said($name === 'text' ? $part->role : $name)) }}" id="{{ $part->id }}-{{ $name }}" @class(['textarea', "is-{$part->role}", "depth-".min($part->depth, 5)]) dir="auto" rows="{{ max(1, min(8, (int) ceil(mb_strlen((string) $value) / 68))) }}" name="parts[{{ $part->id }}][{{ $name }}]">{{ $sent['parts'][$part->id][$name] ?? $value }}</textarea>
                @endforeach
            @endforeach
            @if ($ends)<p><label for="added">{{ __('proposing.link.added') }}</label><textarea id="added" class="textarea" dir="auto" rows="2" name="added">{{ $sent['added'] ?? '' }}</textarea></p>@endif
            <div class="answer-do"><button class="button is-dark">{{ __('proposing.link.send') }}</button></div>
        </form>
    </main>
</x-reading>

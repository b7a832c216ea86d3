@props(['publishing', 'item', 'isLive'])
@unless ($isLive)
    <aside class="reading-past" aria-label="{{ __('views/components.reading-past.as_it_was') }}"><p role="note">{{ __('views/components.reading-past.this_is_how_was_published_on', ['title' => $publishing->title, 'decided_at' => App\Words\Days::moment($publishing->decided_at), 'ended_at' => $publishing->ended_at === null ? '' : __('views/components.reading-past.until').App\Words\Days::moment($publishing->ended_at).' UTC']) }} <a href="{{ route('read', $item->address) }}">{{ __('views/components.reading-past.to_the_present', ['kind' => $item->kind]) }}</a></p></aside>
@endunless

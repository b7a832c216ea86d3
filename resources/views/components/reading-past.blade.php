@props(['publishing', 'item', 'isLive'])
@unless ($isLive)
    <p class="reading-past" role="note">This is how “{{ $publishing->title }}” was published on {{ $publishing->decided_at?->format('j F Y, H:i') }} UTC{{ $publishing->ended_at === null ? '' : ', until '.$publishing->ended_at->format('j F Y, H:i').' UTC' }}. <a href="{{ route('read', $item->address) }}">To the present {{ $item->kind }}</a></p>
@endunless

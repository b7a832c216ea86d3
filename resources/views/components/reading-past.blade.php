@props(['publishing', 'item', 'isLive'])
@unless ($isLive)
    <p class="reading-past" role="note">This is how “{{ $publishing->title }}” was published on {{ App\Words\Days::moment($publishing->decided_at) }} UTC{{ $publishing->ended_at === null ? '' : ', until '.App\Words\Days::moment($publishing->ended_at).' UTC' }}. <a href="{{ route('read', $item->address) }}">To the present {{ $item->kind }}</a></p>
@endunless

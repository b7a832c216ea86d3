<x-seen is-page><div class="page">{{ $page }}</div></x-seen>

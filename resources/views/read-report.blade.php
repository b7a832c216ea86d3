<x-reading :title="$title" :item="$item" scripts>
    @if (! $isLive)
        <p class="reading-past" role="note">This is how “{{ $title }}” was published on {{ $publishing->decided_at?->format('j F Y, H:i') }} UTC{{ $publishing->ended_at === null ? '' : ', until '.$publishing->ended_at->format('j F Y, H:i').' UTC' }}. <a href="{{ route('read', $item->address) }}">To the present one</a></p>
    @endif
    <header class="reading-head"><h1>{{ $title }}</h1><p class="report-period">{{ $publishing->data === null ? __('report.reader_follows') : __('report.reader_pins', ['when' => $publishing->decided_at?->format('j F Y')]) }}</p></header>
    <main class="report-read">
        @foreach ($report->pages as $page)
            <section class="report-page" aria-label="{{ $page['page']->string('title') }}"><h2>{{ $page['page']->string('title') }}</h2>@include('report.period', ['page' => $page['page']])
                <div class="report-grid">@foreach ($page['widgets'] as $widget)@include('report.widget', ['widget' => $widget, 'mayWrite' => false])@endforeach</div>
            </section>
        @endforeach
    </main>
    <footer class="reading-foot">
        <p>@if (config('attic.place') !== ''){{ config('attic.place') }} · @endif Published {{ $publishing->decided_at?->format('j F Y') }}</p>
        @if ($earlier->isNotEmpty())<details><summary>{{ $isLive ? 'As it was before' : 'At other times' }}</summary><ul>@foreach ($earlier as $address => $each)<li><a href="{{ $address }}">{{ $each->decided_at?->format('j F Y, H:i') }} UTC</a></li>@endforeach</ul></details>@endif
    </footer>
</x-reading>

<x-reading :title="$title" :item="$item" scripts>
    <x-reading-past :publishing="$publishing" :item="$item" :is-live="$isLive" />
    <header class="reading-head"><h1>{{ $title }}</h1><p class="report-period">{{ $publishing->data === null ? __('report.reader_follows') : __('report.reader_pins', ['when' => App\Words\Days::long($publishing->decided_at)]) }}</p></header>
    <main class="report-read">
        @foreach ($report->pages as $page)
            <section class="report-page" aria-label="{{ $page['page']->string('title') }}"><h2>{{ $page['page']->string('title') }}</h2>@include('kinds.report.period', ['page' => $page['page']])
                <div class="report-grid">@foreach ($page['widgets'] as $widget)@include('kinds.report.widget', ['widget' => $widget, 'mayWrite' => false])@endforeach</div>
            </section>
        @endforeach
    </main>
    <x-reading-foot :publishing="$publishing" :earlier="$earlier" :is-live="$isLive" />
</x-reading>

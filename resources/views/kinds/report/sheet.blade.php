@if (count($report->pages) > 1 || $mayWrite)
    <nav class="tabs report-tabs" aria-label="{{ __('views/kinds/report.sheet.pages') }}" data-page-tabs>
        @foreach ($report->pages as $page)<button type="button" class="tab" data-page-of="{{ $page['page']->id }}" @if ($page['page']->id === $report->open($shown)) aria-current="page" @endif>{{ $page['page']->string('title') }}</button>@endforeach
    </nav>
@endif
@foreach ($report->pages as $page)
    <section class="report-page" id="part-{{ $page['page']->id }}" data-report-page="{{ $page['page']->id }}" aria-label="{{ $page['page']->string('title') }}" @if ($page['page']->id !== $report->open($shown)) hidden @endif>
        <h2 class="is-sr-only">{{ $page['page']->string('title') }}</h2>
        @include('kinds.report.period', ['page' => $page['page']])
        @if ($page['widgets'] === [])
            <div class="empty"><p>@if ($mayWrite) {{ __('views/kinds/report.sheet.nothing_on_this_page_yet_put') }} @else {{ __('views/kinds/report.sheet.nothing_on_this_page') }} @endif</p></div>
        @endif
        <div class="report-grid">
            @foreach ($page['widgets'] as $widget)@include('kinds.report.widget', ['widget' => $widget])@endforeach
        </div>
    </section>
@endforeach

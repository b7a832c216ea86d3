<x-layout :kind="$item->kind" :title="$item->title" body="is-item is-report">
    <x-item-head :item="$item" at="write" />
    <main id="main" class="report-desk" data-report-read>
        <p class="report-period">{{ $item->live?->data === null ? __('report.reader_follows') : __('report.reader_pins', ['when' => App\Words\Days::long($item->live->decided_at)]) }}</p>
        <p class="report-period"><button type="button" class="button" data-save-page>{{ __('views/kinds/report.read.html_all_in_one_file') }}</button> <button type="button" class="button" data-page-picture="png">{{ __('views/kinds/report.read.this_page_as_png') }}</button> <button type="button" class="button" data-print>{{ __('views/kinds/report.read.print_or_pdf') }}</button></p>
        <div class="report-sheet">@include('kinds.report.sheet', ['shown' => '', 'mayWrite' => false, 'data' => 'published'])</div>
    </main>
</x-layout>

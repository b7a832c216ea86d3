<x-layout :title="__('views/kinds/entry.sums.entries_of_summed_up', ['title' => $item->title])" body="is-item">
    <x-item-head :item="$item" at="entries" />
    <main id="main" class="listing sums">
        <div class="bar-row">
            <x-entries-bar :item="$item" at="entries.sums" />
            <span>{{ trans_choice('views/kinds/entry.sums.no_entries', $sums->count) }}</span>
        </div>
        <div class="sums-grid">
            @foreach ($sums->questions as $sum)
                <section class="sum @if ($sum['isGone']) is-gone @endif">
                    <h2>{{ $sum['question'] }}</h2>
                    <p class="sum-what">{{ $sum['isGone'] ? __('views/kinds/entry.sums.removed_question') : $sum['type'] }} · {{ trans_choice('views/kinds/entry.sums.no_answers', $sum['count']) }}</p>
                    @if ($sum['figures'] !== [])<dl class="form-set">@foreach ($sum['figures'] as $name => $figure)<div><dt>{{ $name }}</dt><dd>{{ $figure }}</dd></div>@endforeach</dl>@endif
                    @if ($sum['bars'] !== [])@include('kinds.form.bars', ['bars' => $sum['bars'], 'of' => $sum['count'], 'label' => $sum['question']])@endif
                    @if ($sum['latest'] !== [])<ul class="sum-latest">@foreach ($sum['latest'] as $text)<li>{{ Str::limit($text, 160) }}</li>@endforeach</ul>@endif
                </section>
            @endforeach
            @if ($sums->byDay !== [])<section class="sum"><h2>{{ __('views/kinds/entry.sums.by_day') }}</h2>@include('kinds.form.bars', ['bars' => array_slice($sums->byDay, -31), 'of' => $sums->count, 'label' => __('views/kinds/entry.sums.entries_by_day')])</section>@endif
            @if (count($sums->byPublishing) > 0)<section class="sum"><h2>{{ __('views/kinds/entry.sums.by_the_version_that_was_live') }}</h2>@include('kinds.form.bars', ['bars' => $sums->byPublishing, 'of' => $sums->count, 'label' => __('views/kinds/entry.sums.entries_by_version')])</section>@endif
        </div>
    </main>
</x-layout>

<x-layout :title="'Entries of '.$item->title.', summed up'" body="is-item">
    <x-item-head :item="$item" at="entries" />
    <main id="main" class="listing sums">
        <div class="bar-row">
            <x-entries-bar :item="$item" at="entries.sums" />
            <span>{{ trans_choice('{0} no entries|{1} one entry|[2,*] :count entries', $sums->count) }}</span>
        </div>
        <div class="sums-grid">
            @foreach ($sums->questions as $sum)
                <section class="sum @if ($sum['isGone']) is-gone @endif">
                    <h2>{{ $sum['question'] }}</h2>
                    <p class="sum-what">{{ $sum['isGone'] ? 'Removed question' : $sum['type'] }} · {{ trans_choice('{0} no answers|{1} one answer|[2,*] :count answers', $sum['count']) }}</p>
                    @if ($sum['figures'] !== [])<dl class="form-set">@foreach ($sum['figures'] as $name => $figure)<div><dt>{{ $name }}</dt><dd>{{ $figure }}</dd></div>@endforeach</dl>@endif
                    @if ($sum['bars'] !== [])@include('kinds.form.bars', ['bars' => $sum['bars'], 'of' => $sum['count'], 'label' => $sum['question']])@endif
                    @if ($sum['latest'] !== [])<ul class="sum-latest">@foreach ($sum['latest'] as $text)<li>{{ Str::limit($text, 160) }}</li>@endforeach</ul>@endif
                </section>
            @endforeach
            @if ($sums->byDay !== [])<section class="sum"><h2>By day</h2>@include('kinds.form.bars', ['bars' => array_slice($sums->byDay, -31), 'of' => $sums->count, 'label' => 'Entries by day'])</section>@endif
            @if (count($sums->byPublishing) > 0)<section class="sum"><h2>By the version that was live</h2>@include('kinds.form.bars', ['bars' => $sums->byPublishing, 'of' => $sums->count, 'label' => 'Entries by version'])</section>@endif
        </div>
    </main>
</x-layout>

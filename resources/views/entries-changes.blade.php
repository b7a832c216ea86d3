<x-layout :title="'Changes in the entries of '.$item->title" body="is-item">
    <x-item-head :item="$item" at="entries" />
    <main id="main" class="listing">
        <div class="bar-row">
            <x-entries-bar :item="$item" at="entries.changes" />
        </div>
        <x-problems />
        @if ($editors === [])
            <div class="empty"><p>Nobody has changed an entry since it was sent.</p></div>
        @else
            <form class="changes-ask" method="get" action="{{ route('entries.changes', $item) }}">
                <label for="by">What did</label> <select class="tool-style" id="by" name="by">@foreach ($editors as [$editor, $count])<option value="{{ $editor->id }}" @selected($changes?->author->id === $editor->id)>{{ $editor->name }} ({{ $count }})</option>@endforeach</select>
                <label for="since">change from</label> <input class="input" id="since" type="date" name="since" value="{{ $changes?->since }}">
                <label for="until">to</label> <input class="input" id="until" type="date" name="until" value="{{ $changes?->until }}">
                <button class="button">Show</button>
            </form>
            @if ($changes !== null && $changes->lines === [])
                <p class="form-same">Nothing in that time.</p>
            @elseif ($changes !== null)
                <form method="post" action="{{ route('entries.changes.out', ['item' => $item, 'by' => $changes->author->id, 'since' => $changes->since, 'until' => $changes->until]) }}">
                    @csrf
                    <table class="versions">
                        <thead><tr>@if ($mayTakeOut)<th><span class="is-sr-only">Take out</span></th>@endif<th>Entry</th><th>What {{ $changes->author->firstName() }} changed</th><th>When</th><th><span class="is-sr-only">Look</span></th></tr></thead>
                        <tbody>@foreach ($changes->lines as $line)
                            <tr>
                                @if ($mayTakeOut)<td><input type="checkbox" name="entries[]" value="{{ $line['entry']->key }}" checked aria-label="Take it out of entry {{ $line['entry']->number }}"></td>@endif
                                <td class="versions-number"><a href="{{ route('item', $line['entry']) }}">{{ $line['entry']->number }}</a></td>
                                <td>@foreach ($line['sentences'] as $sentence){{ $sentence }}@if (! $loop->last)<br>@endif @endforeach</td>
                                <td class="versions-when"><x-when :at="$line['at']" /></td>
                                <td class="versions-do"><a href="{{ route('history', ['item' => $line['entry'], 'from' => $line['from'], 'to' => $line['to']]) }}" aria-label="Look at entry {{ $line['entry']->number }}">Look</a></td>
                            </tr>
                        @endforeach</tbody>
                    </table>
                    @if ($changes->isCut)<p class="form-same">Only the first {{ number_format($changes::MOST) }} entries are shown. Choose a shorter time.</p>@endif
                    @if ($mayTakeOut)<div class="changes-do"><button class="button is-dark">Take these out of the entries</button><span>Later changes by anybody stay. Nothing is overwritten: each entry gets a new version, which can be taken back.</span></div>@endif
                </form>
            @endif
        @endif
    </main>
</x-layout>

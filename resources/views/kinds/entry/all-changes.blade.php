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
                <label for="since">change from</label> <input class="input" id="since" type="datetime-local" name="since" value="{{ $asked['since'] ?? '' }}" data-utc>
                <label for="until">to</label> <input class="input" id="until" type="datetime-local" name="until" value="{{ $asked['until'] ?? '' }}" data-utc>
                <button class="button">Show</button>
            </form>
            @if (session('going'))
                @php($going = session('going'))
                <form class="answer-note" method="post" action="{{ route('entries.changes.out', $asked) }}" data-goes-on>
                    @csrf
                    <input type="hidden" name="all" value="1"><input type="hidden" name="after" value="{{ $going['after'] }}"><input type="hidden" name="done" value="{{ $going['done'] }}"><input type="hidden" name="of" value="{{ $going['of'] }}">
                    <p role="status"><b>Taken out of {{ App\Words\Numbers::said($going['done']) }} of {{ App\Words\Numbers::said($going['of']) }} entries.</b> What is done stays done; if you leave, the rest can be taken out later.</p>
                    <progress max="{{ $going['of'] }}" value="{{ $going['done'] }}">{{ $going['done'] }}</progress>
                    <button class="button">Go on</button>
                </form>
            @endif
            @if ((session('stayed') ?? []) !== [] && ! session('going'))
                <div class="answer-note" role="note"><div><p><b>This stayed:</b></p><ul>@foreach (session('stayed') as [$to, $title, $name, $why])<li><a href="{{ $to }}">{{ $title }}</a>, {{ $name }}: {{ $why }}</li>@endforeach</ul></div></div>
            @endif
            @if ($changes !== null && $changes->lines === [])
                <p class="form-same">Nothing in that time, or it was taken out already.</p>
            @elseif ($changes !== null)
                <form method="post" action="{{ route('entries.changes.out', $asked) }}">
                    @csrf
                    <table class="versions">
                        <thead><tr>@if ($mayTakeOut)<th><span class="is-sr-only">Take out</span></th>@endif<th>Entry</th><th>What {{ $changes->author->firstName() }} changed</th><th>When</th><th><span class="is-sr-only">Look</span></th></tr></thead>
                        <tbody>@foreach ($changes->lines as $line)
                            <tr>
                                @if ($mayTakeOut)<td><input type="checkbox" name="entries[]" value="{{ $line['entry']->key }}" @checked(! $line['waits']) aria-label="Take it out of entry {{ $line['entry']->number }}"></td>@endif
                                <td class="versions-number"><a href="{{ route('item', $line['entry']) }}">{{ $line['entry']->number }}</a></td>
                                <td>@foreach ($line['sentences'] as $sentence){{ $sentence }}@if (! $loop->last)<br>@endif @endforeach @foreach ($line['stays'] as [$name, $why])<small>stays: {{ $name }}, {{ $why }}</small>@endforeach @if ($line['waits'])<small>a change of yours to it waits for a yes</small>@endif</td>
                                <td class="versions-when"><x-when :at="$line['at']" /></td>
                                <td class="versions-do"><a href="{{ route('history', ['item' => $line['entry'], 'from' => $line['from'], 'to' => $line['to']]) }}" aria-label="Look at entry {{ $line['entry']->number }}">Look</a></td>
                            </tr>
                        @endforeach</tbody>
                    </table>
                    @if ($mayTakeOut)<div class="changes-do"><button class="button is-dark">Take those ticked out</button>@if ($changes->page->hasPages())<button class="button" name="all" value="1">Take out all, of {{ App\Words\Numbers::said($changes->page->total()) }} entries</button>@endif<span>{{ $item->shelf->asks_entries ? 'Where a change needs a yes, it waits for that.' : 'Later changes by anybody stay. Nothing is overwritten: each entry gets a new version, which can be taken back.' }}</span></div>@endif
                </form>
                @if ($changes->page->hasPages())<nav class="pages" aria-label="Pages">@if ($changes->page->previousPageUrl())<a class="button" href="{{ $changes->page->previousPageUrl() }}">Before</a>@endif <span>{{ $changes->page->firstItem() }} to {{ $changes->page->lastItem() }} of {{ App\Words\Numbers::said($changes->page->total()) }}</span> @if ($changes->page->nextPageUrl())<a class="button" href="{{ $changes->page->nextPageUrl() }}">Next</a>@endif</nav>@endif
            @endif
        @endif
    </main>
</x-layout>

@php($stamp = $plan->moment->format('Y-m-d\TH:i:s\Z'))
<x-layout :title="'Bring items of '.$shelf->name.' back'" body="is-item">
    <main id="main" class="plan" data-shelf-plan>
        <h1>Bring {{ trans_choice('{1} one item|[2,*] :count items', count($plan->items)) }} of “{{ $shelf->name }}” back</h1>
        <p class="plan-lead">to how they stood on <x-when :at="$plan->moment" exact />. Nothing is overwritten: each gets a new version, and what is there now stays in its history. All of it lands, or none, and it is taken back in one press.@if ($left > 0) <b>{{ App\View\Plans\ShelfPlan::MOST }} at most are brought back together; {{ $left }} of those that were ticked are left out.</b>@endif</p>
        <x-problems />
        @foreach ($plan->items as $key => $one)
            <section class="plan-data" aria-labelledby="of-{{ $key }}" data-of>
                <input type="hidden" name="of[{{ $key }}][seen]" value="{{ $one['seen'] }}" form="return"><input type="hidden" name="of[{{ $key }}][lost]" value="{{ $one['isLost'] ? 1 : 0 }}" form="return">
                <h2 id="of-{{ $key }}"><label><input type="checkbox" name="of[{{ $key }}][on]" value="1" form="return" data-of-item @checked($one['refused'] === null) @disabled($one['refused'] !== null)> “{{ $one['then']->title ?? $one['item']->title }}”</label>
                    <span>@if ($one['then'] === null) made since: goes to Lost &amp; found @elseif ($one['isLost']) comes back from Lost &amp; found, as it was in {{ $one['then']->number }} @else back to {{ $one['then']->number }}, from {{ $one['item']->head }} @endif</span></h2>
                @if ($one['refused'] !== null)<p class="notice">{{ $one['refused'] }}</p>@endif
                @if ($one['then'] !== null && $one['item']->isPublishable() && $one['item']->live_id !== null)<p>It becomes a draft: readers go on seeing what is live.</p>@endif
                @if ($one['item']->follows())<p>Its records come from another item, and stay as they are there.</p>@endif
                @if ($one['then'] !== null && $one['then']->title !== '' && $one['then']->title !== $one['item']->title)<p>It is called “{{ $one['item']->title }}” now; with all of it, its name comes back.</p>@endif
                @if (($lines = $plan->lines($key)) !== [])
                    <ul data-column="data">
                        @foreach ($lines as $at => $entry)
                            <li class="plan-line"><label><input type="checkbox" name="of[{{ $key }}][pick][]" value="{{ $at }}" form="return" data-of-line @checked($one['refused'] === null) @disabled($one['refused'] !== null)>@foreach ($entry->editors as $editor)<x-monogram :user="$editor" aria-hidden="true" />@endforeach
                                <span class="plan-what">{{ isset($one['plan']->goesAway[$at]) ? 'Goes away: ' : 'Comes back: ' }}{{ $entry->plan() }} <small>{{ $entry->planned() }}@if ($entry->at), <x-when :at="$entry->at" />@endif</small></span></label></li>
                        @endforeach
                    </ul>
                    @if ($plan->more($key) > 0)<p>and {{ App\Words\Numbers::said($plan->more($key)) }} more, which come with it; <a href="{{ route('restore', [$one['item'], $one['then']->number]) }}">a restore of it alone</a> has them all.</p>@endif
                    <p class="plan-none">{{ trans_choice('{0} Nothing stays as it is.|[1,*] Stays as it is: :what', count($one['plan']->stays), ['what' => collect(array_slice($one['plan']->stays, 0, 3))->map(fn ($count, $noun) => trans_choice("changes.inner.{$noun}", $count))->join(', ')]) }}</p>
                @endif
            </section>
        @endforeach
    </main>
    <footer class="plan-foot">
        <a class="button" href="{{ route('day', [$shelf, 'at' => $stamp]) }}">Cancel</a>
        <span aria-live="polite" data-of-count>{{ trans_choice('{1} one item|[2,*] :count items', count($plan->items)) }}</span>
        <form id="return" method="post" action="{{ route('day.back.store', $shelf) }}">@csrf<input type="hidden" name="at" value="{{ $stamp }}"><button class="button is-dark" data-of-go>Bring them back</button></form>
    </footer>
</x-layout>

<x-layout :kind="$item->kind" :title="'How '.$item->title.' will be'" body="is-item is-history">
    <x-item-head :item="$item" at="history">how it will be; nothing is written yet</x-item-head>
    <main id="main" class="past is-publish" data-seen-plan="{{ $door['seen'] }}">
        <section class="changes" aria-labelledby="changes-name" data-changes>
            <div class="changes-head">
                <h2 id="changes-name">{{ trans_choice('history.will_change', count($comparison->entries)) }}</h2>
                <p>{{ $door['said'] }}</p>
                <span class="stepper" data-stepper hidden><span data-step-count></span> <button type="button" data-step="-1" aria-label="Change before (p)" title="Change before (p)">‹</button><button type="button" data-step="1" aria-label="Next change (n)" title="Next change (n)">›</button></span>
            </div>
            <div class="publish-form">
                @if ($door['note'] !== null)<p class="door-note">{{ $door['note'] }}</p>@endif
                <form method="post" action="{{ $door['store'] }}">
                    @csrf
                    @foreach ($door['hidden'] as [$name, $value])<input type="hidden" name="{{ $name }}" value="{{ $value }}">@endforeach
                    <div class="wish-do"><button class="button is-dark" autofocus>{{ $door['do'] }}</button><a class="button" href="{{ $door['plan'] }}">Back to the plan</a></div>
                </form>
            </div>
            <ol class="entries" data-entries>
                @foreach (array_slice($comparison->entries, 0, App\View\Comparison::MOST_LISTED) as $entry)
                    <li><a @class(['entry', 'is-consequence' => $entry->statement->isConsequence()]) href="{{ ($sheet ?? null)?->lacks($entry) ? $address->with(['tab' => $entry->table()]) : '' }}#part-{{ $entry->part() }}" @if (($sheet ?? null)?->lacks($entry)) data-elsewhere @endif data-entry="{{ $entry->part() }}"><span class="entry-sign" aria-hidden="true">{{ $entry->sign() }}</span><span class="entry-text">{{ $entry->sentence }}@if ($entry->place()) <small>{{ $entry->place() }}</small>@endif</span></a></li>
                @endforeach
            </ol>
            @if ($comparison->entries === [])<p class="changes-none">It will be as it is now.</p>@endif
        </section>
        <section class="past-state" aria-label="The {{ $item->kind }}, as it will be">
            @include($past::VIEW)
        </section>
    </main>
</x-layout>

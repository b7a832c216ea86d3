<x-layout :kind="$plan->item->kind" :title="($wish === null ? 'Publish ' : 'A wish to publish ').$plan->item->title" body="is-item is-history">
    <x-item-head :item="$plan->item" at="publish" />
    <main id="main" class="past is-publish">
        <section class="changes" aria-labelledby="changes-name" data-changes>
            <div class="changes-head">
                <h2 id="changes-name">
                    @if ($plan->comparison === null) Readers see nothing yet
                    @elseif ($plan->changesNothing() && $plan->brings && $plan->live->id === $plan->version->id) {{ __('publishing.see_figures') }}
                    @elseif ($plan->changesNothing()) {{ trans_choice('publishing.see', 0) }}
                    @else {{ trans_choice('publishing.see', count($plan->comparison->entries)) }} @endif
                </h2>
                <p>@if ($plan->comparison === null) All of {{ $plan->version->number }} becomes visible to them @else {{ $plan->live->number }}, live → {{ $plan->version->number }} @endif</p>
            </div>
            @if ($plan->figures !== [])<ul class="publish-figures">@foreach ($plan->figures as $one)<li>{{ __('publishing.figures', [...$one, 'was' => (string) $one['was'], 'is' => (string) $one['is']]) }}</li>@endforeach</ul>@endif
            @if ($plan->comparison !== null)
                <ol class="entries" data-entries>
                    @foreach ($plan->comparison->entries as $entry)
                        <li><a class="entry @if ($entry->editors !== []) by-{{ $entry->editors[0]->colour }} @endif" href="#part-{{ $entry->part() }}" data-entry="{{ $entry->part() }}"><span class="entry-sign" aria-hidden="true">{{ $entry->sign() }}</span><span class="entry-text">{{ $entry->sentence }} <small>@foreach ($entry->editors as $editor){{ $editor->firstName() }}@if (! $loop->last), @endif @endforeach {{ $entry->versions() }}</small></span></a></li>
                    @endforeach
                </ol>
            @endif
            <div class="publish-form">
                <x-problems />
                @if ($wish !== null)
                    @include('publish.answer')
                @else
                    @if ($plan->newer > 0)<p class="door-note">This is {{ $plan->version->number }}; {{ $plan->newer === 1 ? 'one newer draft is' : "{$plan->newer} newer drafts are" }} not part of it. <a href="{{ route('publish', [$plan->item, $plan->item->head]) }}">Look at {{ $plan->item->head }} instead</a></p>@endif
                    <form method="post" action="{{ route('publish.store', [$plan->item, $plan->version->number]) }}">
                        @csrf
                        <label class="label" for="note">{{ $mayPublish ? 'A note, if you like' : 'What shall those who say yes know?' }}</label>
                        <textarea class="textarea" id="note" name="note" rows="2" maxlength="{{ config('attic.note') }}">{{ old('note') }}</textarea>
                        <div class="wish-do"><button class="button is-dark" @disabled(! $plan->brings)>{{ $mayPublish ? 'Publish' : 'Ask to publish' }} {{ $plan->version->number }}</button><a class="button" href="{{ route('item', $plan->item) }}">Not now</a></div>
                    </form>
                    <p class="door-note">@if ($mayPublish) Readers see it at once. What they saw before stays in the history, and can be published again. @elseif ($plan->item->shelf->asks) On “{{ $plan->item->shelf->name }}” somebody else says yes first. You can go on writing; what is published is {{ $plan->version->number }}. @else Those who may publish on “{{ $plan->item->shelf->name }}” are asked. You can go on writing; what is published is {{ $plan->version->number }}. @endif</p>
                @endif
            </div>
            @can('open', $plan->item)
                <section class="publish-readers" aria-labelledby="readers"><h2 id="readers">Readers</h2>
                    @if ($plan->item->is_public)
                        <p>Everybody who has the address: @if ($plan->item->live !== null)<a href="{{ route('read', $plan->item->address) }}">/read/{{ $plan->item->address }}</a>@else <b>/read/{{ $plan->item->address }}</b>, once it is published @endif</p>
                        @if ($plan->hidden->isNotEmpty())
                            <details><summary>{{ trans_choice('publishing.earlier', $plan->hidden->count(), ['count' => (string) $plan->hidden->count()]) }}</summary>
                                <ul>@foreach ($plan->hidden as $each)<li><a href="{{ route('history', ['item' => $plan->item, 'from' => $each->version->number, 'to' => $each->version->number, 'view' => 'was']) }}">{{ $each->version->number }}, <x-when :at="$each->decided_at" /></a></li>@endforeach</ul>
                                <form method="post" action="{{ route('public', $plan->item) }}">@csrf @method('put')<input type="hidden" name="open" value="1"><input type="hidden" name="earlier" value="1"><button class="button">Let everybody read these, too</button></form>
                            </details>
                        @endif
                    @else
                        <p>The people of “{{ $plan->item->shelf->name }}”.</p>
                    @endif
                    @includeIf("kinds.{$plan->item->kind}.readers", ['item' => $plan->item])
                    <div class="wish-do">
                        <form method="post" action="{{ route('public', $plan->item) }}">@csrf @method('put')<input type="hidden" name="open" value="{{ $plan->item->is_public ? '0' : '1' }}"><button class="button">{{ $plan->item->is_public ? 'Close the address' : 'Give it an address' }}</button></form>
                        @if ($plan->item->live !== null)<form method="post" action="{{ route('unpublish', $plan->item) }}">@csrf @method('delete')<button class="button">Take it offline</button></form>@endif
                    </div>
                </section>
            @endcan
        </section>
        <div class="past-state">
            {{ $seen }}
        </div>
    </main>
</x-layout>

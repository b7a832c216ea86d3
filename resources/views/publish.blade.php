<x-layout :kind="$plan->item->kind" :title="($wish === null ? __('views/publish.publish') : __('views/publish.a_wish_to_publish')).$plan->item->title" body="is-item is-history">
    <x-item-head :item="$plan->item" at="publish" />
    <main id="main" class="past is-publish">
        <section class="changes" aria-labelledby="changes-name" data-changes>
            <div class="changes-head">
                <h2 id="changes-name">
                    @if ($plan->comparison === null) {{ __('views/publish.readers_see_nothing_yet') }}
                    @elseif ($plan->changesNothing() && $plan->brings && $plan->live->id === $plan->version->id) {{ __('publishing.see_figures') }}
                    @elseif ($plan->changesNothing()) {{ trans_choice('publishing.see', 0) }}
                    @else {{ trans_choice('publishing.see', count($plan->comparison->entries)) }} @endif
                </h2>
                <p>@if ($plan->comparison === null) {{ __('views/publish.all_of_becomes_visible_to_them', ['number' => $plan->version->number]) }} @else {{ __('views/publish.live_to', ['number' => $plan->live->number, 'later' => $plan->version->number]) }} @endif</p>
            </div>
            @if ($plan->figures !== [])<ul class="publish-figures">@foreach ($plan->figures as $one)<li>{{ __('publishing.figures', [...$one, 'was' => (string) $one['was'], 'is' => (string) $one['is']]) }}</li>@endforeach</ul>@endif
            @if ($plan->comparison !== null)
                <ol class="entries" data-entries>
                    @foreach (array_slice($plan->comparison->entries, 0, App\View\Comparison::MOST_LISTED) as $entry)
                        <li><a class="entry @if ($entry->editors !== []) by-{{ $entry->editors[0]->colour }} @endif" href="#part-{{ $entry->part() }}" data-entry="{{ $entry->part() }}"><span class="entry-sign" aria-hidden="true">{{ $entry->sign() }}</span><span class="entry-text">{{ $entry->sentence }} <small>@foreach ($entry->editors as $editor){{ $editor->firstName() }}@if (! $loop->last), @endif @endforeach {{ $entry->versions() }}</small></span></a></li>
                    @endforeach
                    @if (count($plan->comparison->entries) > App\View\Comparison::MOST_LISTED)<li class="data-moved">{{ trans_choice('history.listed_more', count($plan->comparison->entries) - App\View\Comparison::MOST_LISTED) }}</li>@endif
                </ol>
            @endif
            <div class="publish-form">
                <x-problems />
                @if ($wish !== null)
                    @include('publish.answer')
                @else
                    @if ($plan->newer > 0)<p class="door-note">{{ __('views/publish.this_is_not_part_of_it', ['number' => $plan->version->number, 'newer' => $plan->newer === 1 ? __('views/publish.one_newer_draft_is') : __('views/publish.newer_drafts_are', ['newer' => $plan->newer])]) }} <a href="{{ route('publish', [$plan->item, $plan->item->head]) }}">{{ __('views/publish.look_at_instead', ['head' => $plan->item->head]) }}</a></p>@endif
                    <form method="post" action="{{ route('publish.store', [$plan->item, $plan->version->number]) }}">
                        @csrf
                        <label class="label" for="note">{{ $mayPublish ? __('views/publish.a_note_if_you_like') : __('views/publish.what_should_those_who_say_yes') }}</label>
                        <textarea class="textarea" id="note" name="note" rows="2" maxlength="{{ config('attic.note') }}">{{ old('note') }}</textarea>
                        <div class="wish-do"><button class="button is-dark" @disabled(! $plan->brings)>{{ $mayPublish ? __('views/publish.publish_button') : __('views/publish.ask_to_publish') }} {{ $plan->version->number }}</button><a class="button" href="{{ route('item', $plan->item) }}">{{ __('views/publish.not_now') }}</a></div>
                    </form>
                    <p class="door-note">@if ($mayPublish) {{ __('views/publish.readers_see_it_at_once_what') }} @elseif ($plan->item->shelf->asks) {{ __('views/publish.on_somebody_else_says_yes_first', ['name' => $plan->item->shelf->name, 'number' => $plan->version->number]) }} @else {{ __('views/publish.those_who_may_publish_on_are', ['name' => $plan->item->shelf->name, 'number' => $plan->version->number]) }} @endif</p>
                @endif
            </div>
            @can('open', $plan->item)
                <section class="publish-readers" aria-labelledby="readers"><h2 id="readers">{{ __('views/publish.readers') }}</h2>
                    @if ($plan->item->is_public)
                        <p>{{ __('views/publish.everybody_who_has_the_address') }} @if ($plan->item->live !== null)<a href="{{ route('read', $plan->item->address) }}">{{ __('views/publish.read', ['address' => $plan->item->address]) }}</a>@else <b>{{ __('views/publish.read', ['address' => $plan->item->address]) }}</b>{{ __('views/publish.once_it_is_published') }} @endif</p>
                        @if ($plan->hidden->isNotEmpty())
                            <details><summary>{{ trans_choice('publishing.earlier', $plan->hidden->count(), ['count' => (string) $plan->hidden->count()]) }}</summary>
                                <ul>@foreach ($plan->hidden as $each)<li><a href="{{ route('history', ['item' => $plan->item, 'from' => $each->version->number, 'to' => $each->version->number, 'view' => 'was']) }}">{{ $each->version->number }}, <x-when :at="$each->decided_at" /></a></li>@endforeach</ul>
                                <form method="post" action="{{ route('public', $plan->item) }}">@csrf @method('put')<input type="hidden" name="open" value="1"><input type="hidden" name="earlier" value="1"><button class="button">{{ __('views/publish.let_everybody_read_these_too') }}</button></form>
                            </details>
                        @endif
                    @else
                        <p>{{ __('views/publish.the_people_of', ['name' => $plan->item->shelf->name]) }}</p>
                    @endif
                    @includeIf("kinds.{$plan->item->kind}.readers", ['item' => $plan->item])
                    <div class="wish-do">
                        <form method="post" action="{{ route('public', $plan->item) }}">@csrf @method('put')<input type="hidden" name="open" value="{{ $plan->item->is_public ? '0' : '1' }}"><button class="button">{{ $plan->item->is_public ? __('views/publish.close_the_address') : __('views/publish.give_it_an_address') }}</button></form>
                        @if ($plan->item->live !== null)<form method="post" action="{{ route('unpublish', $plan->item) }}">@csrf @method('delete')<button class="button">{{ __('views/publish.take_it_offline') }}</button></form>@endif
                    </div>
                </section>
            @endcan
        </section>
        <div class="past-state">
            {{ $seen }}
        </div>
    </main>
</x-layout>

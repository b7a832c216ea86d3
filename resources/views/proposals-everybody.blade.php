<x-layout :kind="$item->kind" :title="__('proposing.title', ['title' => $item->title])" body="is-item is-history">
    <x-item-head :item="$item" at="proposals" />
    <x-proposals-bar :item="$item" :open="$open" look="everybody" />
    <main id="main" class="past is-publish is-proposed is-everybodys">
        <section class="changes" aria-labelledby="changes-name" data-changes>
            <div class="changes-head">
                <h2 id="changes-name">{{ trans_choice('proposing.of_all', count($all->lines), ['people' => (string) count($all->shown)]) }}</h2>
                <p>{{ __('proposing.of_then', ['number' => (string) $newest->number]) }}</p>
                @if ($open->all->count() > count($all->shown))<p>{{ __('proposing.first_of', ['shown' => (string) count($all->shown), 'all' => (string) $open->all->count()]) }}</p>@endif
            </div>
            <x-problems />
            @foreach ($all->shown as $proposal)
                <form method="post" action="{{ route('proposals.answer', [$item, $proposal]) }}" id="answer-{{ $proposal->id }}">@csrf @method('put')<input type="hidden" name="seen" value="{{ $newest->number }}"><input type="hidden" name="state" value="{{ $proposal->root }}"><input type="hidden" name="from" value="everybody"></form>
            @endforeach
            <ol class="entries" data-entries>
                @foreach ($all->lines as $number => $one)
                    <li>
                        <a class="entry by-{{ $one->proposal->user->colour }}" href="#proposed-{{ $number }}" data-entry="{{ $one->of->line->part() }}"><span class="entry-sign" aria-hidden="true">{{ $one->of->line->sign() }}</span><span class="entry-text">{{ $answers[$one->proposal->id]['sign'] }} <b>{{ $one->proposal->name() }}</b>: {{ $one->of->line->sentence }}@if ($one->of->line->place()) <small>{{ $one->of->line->place() }}</small>@endif @if ($one->of->meets)<small class="is-met">{{ __('proposing.meets') }}</small>@endif</span></a>
                        <x-answers :keys="$one->of->keys()" :decides="$answers[$one->proposal->id]['decides']" :own="$answers[$one->proposal->id]['own']" :form="'answer-'.$one->proposal->id" />
                    </li>
                @endforeach
            </ol>
            @if ($open->at === null && $all->lines !== [])
                @can('write', $item)
                    <form method="post" action="{{ route('proposals.answer-all', $item) }}" class="proposal-do">
                        @csrf @method('put')
                        @foreach ($all->shown as $proposal)<input type="hidden" name="states[{{ $proposal->id }}]" value="{{ $proposal->root }}">@endforeach
                        <label class="is-sr-only" for="proposal-word">{{ __('proposing.word') }}</label>
                        <input class="input" id="proposal-word" name="word" maxlength="{{ config('attic.note') }}" placeholder="{{ __('proposing.word') }}" value="{{ old('word') }}">
                        <button class="button is-dark" name="do" value="accepted">{{ __('proposing.accept_all') }}</button>
                        <button class="button" name="do" value="declined">{{ __('proposing.decline_all') }}</button>
                    </form>
                @endcan
            @endif
            @includeWhen($answered !== null, 'proposals-past')
            @includeWhen($copies !== null, 'proposals-copies')
            @includeWhen($copies !== null, 'proposals-links')
        </section>
        <section class="past-state" aria-label="{{ __('proposing.look.with') }}">
            @include($past::VIEW)
            <section class="slips" aria-label="{{ __('proposing.everybody') }}" data-proposed-slips>
                @foreach ($all->lines as $number => $one)
                    <article class="slip is-proposal by-{{ $one->proposal->user->colour }}" id="proposed-{{ $number }}" data-below="{{ $one->below }}">
                        <p class="slip-who">{{ $answers[$one->proposal->id]['sign'] }} <b>{{ $one->proposal->name() }}</b> <small>{{ $one->of->line->sentence }}</small></p>
                        @if ($one->words !== null)<div class="slip-text" dir="auto">{{ $one->words }}</div>@endif
                        <x-answers :keys="$one->of->keys()" :decides="$answers[$one->proposal->id]['decides']" :own="$answers[$one->proposal->id]['own']" :form="'answer-'.$one->proposal->id" />
                    </article>
                @endforeach
            </section>
        </section>
    </main>
</x-layout>

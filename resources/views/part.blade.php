<x-layout :title="__('views/part.history_of_one_part_of', ['title' => $item->title])" body="is-plain">
    <main id="main" class="plan is-part">
        <p class="part-back"><a href="{{ route('history', $item) }}">{{ __('views/part.all_of_its_history', ['title' => $item->title]) }}</a></p>
        <h1>{{ $story->name === '' ? __('history.part.nameless') : '“'.$story->name.'”' }}</h1>
        <p class="plan-lead">{{ __('views/part.the_newest_first', ['older' => trans_choice('history.part.count', count($story->steps) + $story->older)]) }}</p>
        <x-problems />
        @if ($hanging !== [])<p class="plan-lead">{{ __('views/part.drawn_from_it') }} @foreach ($hanging as $one){{ __('views/part.in', ['string' => $one['widget']->string('title')]) }} <a href="{{ route('item', $one['report']) }}">{{ $one['report']->title }}</a>@if (! $loop->last), @endif @endforeach</p>@endif
        <ol class="part-steps">
            @foreach ($story->steps as $step)
                <li class="part-step by-{{ $step->version->user->colour }}">
                    <x-monogram :user="$step->version->user" aria-hidden="true" />
                    <div class="part-what">
                        <p>{{ $step->sentence }}</p>
                        <small>{{ __('views/part.name_in', ['name' => $step->version->user->name]) }} <a href="{{ App\View\HistoryAddress::at($item, $item->lookFrom($step->version->number), $step->version->number, $part) }}">{{ $step->version->number }}</a>, <x-when :at="$step->version->saved_at" />@if ($step->version->milestone), “{{ $step->version->milestone->name }}”@endif</small>
                        @if ($step->part !== null && ! $step->part->richText()->isEmpty())<p class="part-text">{{ $step->text }}</p>@else
                            @if ($step->part !== null) @includeIf("kinds.{$item->kind}.step", ['part' => $step->part]) @endif
                        @endif
                    </div>
                    @if ($step->isNow)
                        <span class="part-now">{{ $step->part === null ? __('views/part.gone_now') : __('views/part.as_it_is_now') }}</span>
                    @endif
                    @if ($mayRestore && $back[$loop->index] !== null)
                        <form method="post" action="{{ route('part.restore', [$item, $part, $back[$loop->index]]) }}">@csrf<input type="hidden" name="seen" value="{{ $item->head }}"><button class="button">{{ $step->part === null ? __('views/part.bring_it_back_as_it_was') : __('views/part.bring_this_back') }}<span class="is-sr-only"> {{ __('views/part.as_it_was_in', ['number' => $back[$loop->index]]) }}</span></button></form>
                    @endif
                </li>
            @endforeach
        </ol>
        @if ($story->older > 0)<p class="plan-none">{{ trans_choice('history.part.older', $story->older) }}</p>@endif
    </main>
</x-layout>

<x-layout :title="'History of one part of '.$item->title" body="is-plain">
    <main id="main" class="plan is-part">
        <p class="part-back"><a href="{{ route('history', $item) }}">{{ $item->title }}, all of its history</a></p>
        <h1>{{ $story->name === '' ? __('history.part.nameless') : '“'.$story->name.'”' }}</h1>
        <p class="plan-lead">{{ trans_choice('history.part.count', count($story->steps) + $story->older) }}, the newest first.</p>
        <x-problems />
        @if ($hanging !== [])<p class="plan-lead">Drawn from it: @foreach ($hanging as $one)“{{ $one['widget']->string('title') }}” in <a href="{{ route('item', $one['report']) }}">{{ $one['report']->title }}</a>@if (! $loop->last), @endif @endforeach</p>@endif
        <ol class="part-steps">
            @foreach ($story->steps as $step)
                <li class="part-step by-{{ $step->version->user->colour }}">
                    <x-monogram :user="$step->version->user" aria-hidden="true" />
                    <div class="part-what">
                        <p>{{ $step->sentence }}</p>
                        <small>{{ $step->version->user->name }} in <a href="{{ route('history', ['item' => $item, 'from' => $item->lookFrom($step->version->number), 'to' => $step->version->number]) }}#part-{{ $part }}">{{ $step->version->number }}</a>, <x-when :at="$step->version->saved_at" />@if ($step->version->milestone), “{{ $step->version->milestone->name }}”@endif</small>
                        @if ($step->part !== null && ! $step->part->richText()->isEmpty())<p class="part-text">{{ $step->text }}</p>@else
                            @if ($step->part !== null) @includeIf("kinds.{$item->kind}.step", ['part' => $step->part]) @endif
                        @endif
                    </div>
                    @if ($step->isNow)
                        <span class="part-now">{{ $step->part === null ? 'gone now' : 'as it is now' }}</span>
                    @endif
                    {{-- Of what is gone, the state right before is what one wants; of a dataset, what was calculated meanwhile comes with it. --}}
                    @php($number = $step->part === null ? $item->before($step->version->number) : ($past::CALCULATES && $loop->index > 0 ? $item->before($story->steps[$loop->index - 1]->version->number) : $step->version->number))
                    @if ($mayRestore && ($step->part === null ? $step->isNow && $loop->first : ! $step->isNow))
                        <form method="post" action="{{ route('part.restore', [$item, $part, $number]) }}">@csrf<input type="hidden" name="seen" value="{{ $item->head }}"><button class="button">{{ $step->part === null ? 'Bring it back as it was before that' : 'Bring this back' }}<span class="is-sr-only"> as it was in {{ $number }}</span></button></form>
                    @endif
                </li>
            @endforeach
        </ol>
        @if ($story->older > 0)<p class="plan-none">{{ trans_choice('history.part.older', $story->older) }}</p>@endif
    </main>
</x-layout>

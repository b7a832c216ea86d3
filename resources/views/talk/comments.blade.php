@foreach ($seen->comments as $comment)
    <div @class(['slip-said', 'is-new' => $comment->isNew])>
        <x-monogram :user="$comment->user" aria-hidden="true" />
        <p class="slip-who"><b>{{ $comment->user->firstName() }}</b> <small>@if ($loop->first){{ $seen->about() }}, @elseif ($comment->deed === App\Models\CommentDeed::Settled){{ __('talk.settled_it') }}, @elseif ($comment->deed === App\Models\CommentDeed::Reopened){{ __('talk.reopened_it') }}, @endif<x-when :at="$comment->at" />, {{ __('talk.about_number', ['number' => (string) $comment->number]) }}@if ($comment->isNew) <i>{{ __('talk.new', ['number' => (string) ($since ?? '')]) }}</i>@endif</small></p>
        @if ($comment->isWithdrawn)<p class="slip-text is-withdrawn">{{ __('talk.withdrawn') }}</p>
        @elseif ($comment->text !== '')<div class="slip-text">{{ App\View\Talk\CommentText::of($comment->text, $item, $names) }}</div>@endif
        @if ($comment->before !== [])<details class="slip-before"><summary>{{ __('talk.edited') }}</summary>@foreach ($comment->before as $earlier)<div class="slip-text">{{ App\View\Talk\CommentText::of($earlier, $item, $names) }}</div>@endforeach</details>@endif
        @if ($mayComment && $comment->user->id === auth()->id() && ! $comment->isWithdrawn && $comment->deed === App\Models\CommentDeed::Said)
            <details class="slip-before slip-own"><summary>{{ __('talk.edit') }}</summary>
                <form method="post" action="{{ route('talk.say', [$item, $seen->thread]) }}" data-talk>@csrf<input type="hidden" name="deed" value="edited"><input type="hidden" name="of" value="{{ $comment->id }}"><label class="is-sr-only" for="edit-{{ $comment->id }}">{{ __('talk.edit') }}</label><textarea class="textarea" id="edit-{{ $comment->id }}" name="text" rows="2" maxlength="{{ config('attic.comment') }}" required data-focus>{{ $comment->text }}</textarea><button class="button is-dark">{{ __('talk.save') }}</button></form>
                <form method="post" action="{{ route('talk.say', [$item, $seen->thread]) }}" data-talk>@csrf<input type="hidden" name="deed" value="withdrew"><input type="hidden" name="of" value="{{ $comment->id }}"><button class="link-button">{{ __('talk.withdraw') }}</button></form>
            </details>
        @endif
    </div>
@endforeach

<?php

declare(strict_types=1);

namespace App\Http\Talk;

use App\Http\Controller;
use App\Models\Comment;
use App\Models\CommentDeed;
use App\Models\Item;
use App\Models\Thread;
use App\Store\States;
use App\Talk\AddComment;
use App\Talk\BeginThread;
use App\View\Talk\TalkPage;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** Talk about an item: all threads, beginning one, and what is said in it. */
final class TalkController extends Controller
{
    public function index(TalkQuery $request, Item $item, States $states): View
    {
        $page = new TalkPage($item, $this->person($request), $request->asked(), $states);

        return $request->boolean('piece') ? view('talk.slips', $page->slips()) : view('talk', $page->all());
    }

    public function begin(ThreadRequest $request, Item $item, BeginThread $begin): RedirectResponse|JsonResponse
    {
        $thread = $begin->handle($item, $this->person($request), $request->about(), trim((string) $request->validated('text')));
        if ($thread === null) {
            return $request->expectsJson()
                ? response()->json(['message' => __('talk.gone')], 422)
                : redirect()
                    ->back(fallback: route('talk', $item))
                    ->withErrors(['text' => __('talk.gone')])
                    ->withInput();
        }

        return $this->said($request, $item, $thread, 'talk.said');
    }

    public function say(CommentRequest $request, Item $item, Thread $thread, AddComment $add): RedirectResponse|JsonResponse
    {
        abort_if($thread->item_id !== $item->id, 404);
        $deed = $request->deed();
        $of = ! $deed->isOfOne()
            ? null
            : Comment::query()
                    ->where(['thread_id' => $thread->id, 'user_id' => $this->person($request)->id, 'deed' => CommentDeed::Said])
                    ->whereKey((int) $request->validated('of'))
                    ->first() ?? abort(404);
        $done = $add->handle(
            $thread->setRelation('item', $item),
            $this->person($request),
            $deed,
            trim((string) $request->validated('text')),
            $of,
        );

        return $this->said(
            $request,
            $item,
            $thread,
            $done === null
                ? 'talk.nothing_to_do'
                : match ($deed) {
                    CommentDeed::Said => 'talk.answered',
                    CommentDeed::Edited => 'talk.now_edited',
                    CommentDeed::Withdrew => 'talk.now_withdrawn',
                    CommentDeed::Settled => 'talk.now_settled',
                    CommentDeed::Reopened => 'talk.now_open',
                },
        );
    }

    private function said(Request $request, Item $item, Thread $thread, string $words): RedirectResponse|JsonResponse
    {
        $back = redirect()->back(fallback: route('talk', $item));

        return $request->expectsJson()
            ? response()->json(['said' => __($words), 'thread' => $thread->key])
            : $back->withFragment("thread-{$thread->key}")->with('said', __($words));
    }
}

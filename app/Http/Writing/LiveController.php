<?php

declare(strict_types=1);

namespace App\Http\Writing;

use App\Http\Controller;
use App\Models\HeldEdit;
use App\Models\Item;
use App\Models\Presence;
use App\Models\User;
use App\Models\Version;
use App\View\Desks\Desk;
use App\View\Phrases;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

/** What goes on with an item while it is open: what is newest, and who else is here. */
final class LiveController extends Controller
{
    /**
     * Asked by an open window when `public/live.php` told it that something moved, and every two minutes; every two seconds where a place
     * can not be asked shortly.
     */
    public function __invoke(LiveRequest $request, Item $item, Phrases $phrases): JsonResponse
    {
        $sent = $request->validated();
        $user = $this->person($request);
        $ticket = Str::random(32);
        Presence::note($item, $user, $sent['client'], $sent['part'] ?? null, $sent['root'] ?? null, $ticket);
        // Before what it stands for is read: what moves in between is told once more.
        $news = Presence::news()->stamp($item->id, $user->id, now()->getTimestamp());
        $item->refresh();
        $others = Presence::others($item, $user)->orderBy('seen_at')->get()->keyBy('user_id');
        $people = User::query()->whereKey($others->keys())->orderBy('id')->get();

        return response()->json([
            'root' => $item->root,
            'number' => $item->head,
            'title' => $item->title,
            'held' => HeldEdit::query()->waitingFor($user)->where('item_id', $item->id)->count(),
            'talk' => $item->talked,
            'people' => $people->map(
                fn (User $other) => [
                    'name' => $other->firstName(),
                    'monogram' => $other->monogram(),
                    'colour' => $other->colour,
                    'part' => $others->get($other->id)?->part,
                ],
            ),
            ...$item->room(Desk::class)->news($item),
            'shortly'
                => '/live.php?'.http_build_query(['item' => $item->id, 'client' => $sent['client'], 'ticket' => $ticket, 'news' => $news]),
            ...$this->lastChange($request, $item, $phrases),
        ]);
    }

    /** @return array{by?: string, sentence?: string} who changed it last and how, when the window has an older state */
    private function lastChange(Request $request, Item $item, Phrases $phrases): array
    {
        if ($request->query('root') === $item->root) {
            return [];
        }
        $newest = Version::query()
            ->with('user')
            ->where(['item_id' => $item->id, 'number' => $item->head])
            ->firstOrFail()
            ->setRelation('item', $item->load('origin.item'));

        return ['by' => $newest->user->firstName(), 'sentence' => $phrases->version($newest)];
    }
}

<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\Controller;
use App\Models\Item;
use App\View\Past;
use App\View\Phrases;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** One part's own history. */
final class PartController extends Controller
{
    public function __invoke(Request $request, Item $item, string $part, Phrases $phrases): View
    {
        Gate::authorize('draft', $item);
        $past = $item->room(Past::class);
        $story = $past->story($item, $part, $phrases);
        abort_if($story->steps === [], 404);
        $hanging = array_filter(
            $past->hanging($item, $this->person($request)),
            fn (array $one): bool => in_array($part, $one['fields'], true),
        );

        return view('part', [
            'item' => $item,
            'part' => $part,
            'past' => $past,
            'story' => $story,
            'mayRestore' => Gate::allows('restore', $item),
            'back' => $story->backTo($item, $past::CALCULATES),
            'hanging' => array_values($hanging),
        ]);
    }
}

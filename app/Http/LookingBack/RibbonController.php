<?php

declare(strict_types=1);

namespace App\Http\LookingBack;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Sight;
use App\Models\Version;
use App\Store\States;
use App\View\Miniature;
use App\View\Phrases;
use App\View\Versions\RibbonData;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;

/** All versions of an item on their ribbon, and each of them in words. */
final class RibbonController extends Controller
{
    public function __construct(private readonly States $states) {}

    public function show(Item $item, RibbonData $ribbon): JsonResponse
    {
        Gate::authorize('view', $item);

        return response()->json($ribbon->of($item));
    }

    /**
     * Versions in words and from afar, for the card over the ribbon: one, what it changed since an earlier one, or it and those around it.
     */
    public function line(LineRequest $request, Item $item, int $number, Phrases $phrases): JsonResponse
    {
        $since = (int) $request->validated('since');
        $item->load('origin.item');
        $versions = $this->around($item, $this->version($item, $number), (int) $request->validated('reach'))->load(
            $item->isPublishable() ? ['publishings.user', 'publishings.decider', 'publishings.ender'] : [],
        );
        $earlier = $since > 0 && $since < $number ? $this->version($item, $since) : null;

        return response()->json(['lines' => $versions->mapWithKeys(fn (Version $version): array => [$version->number => [
            'sentence' => $earlier === null ? $phrases->seen($item, $version) : $phrases->between($earlier, $version, $this->states),
            'note' => $item->sight === null ? $version->note : null,
            'miniature' => Miniature::address($item, $version, $this->person($request)),
        ]])->all()]);
    }

    /** @return Collection<int, Version> */
    private function around(Item $item, Version $version, int $reach): Collection
    {
        if ($reach === 0) {
            return new Collection([$version]);
        }
        $near = fn (string $way, string $order) => $item
            ->versions()
            ->with('user', 'milestone.user')
            ->where('number', $way, $version->number)
            ->when($item->sight, fn ($query, Sight $sight) => $query->whereIn('number', $sight->numbers ?? []))
            ->orderBy('number', $order)
            ->limit($reach)
            ->get();

        return (new Collection([...$near('<', 'desc'), $version, ...$near('>', 'asc')]))->each(
            fn (Version $each) => $each->setRelation('item', $item),
        );
    }

    /**
     * A version from afar. It never changes under its address; of a newer state under the same number, the newer one is shown and not kept.
     */
    public function miniature(Request $request, Item $item, int $number, string $root, Miniature $miniature): Response
    {
        Gate::authorize('view', $item);
        $person = $this->person($request);
        $version = $this->version($item, $number);
        $isSame = str_starts_with($version->root, $root) && (int) $request->query('for') === $person->id;

        return response($miniature->of($item, $version, $person), 200, [
            'Content-Type' => 'image/svg+xml',
            'Cache-Control' => $isSame ? 'private, max-age=31536000, immutable' : 'private, no-store',
            'Content-Security-Policy' => "default-src 'none'; img-src data:; style-src 'unsafe-inline'; sandbox",
        ]);
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Publishing;

use App\Http\Controller;
use App\Models\Item;
use App\Models\Publishing;
use App\Models\Version;
use App\Publishing\AskToPublish;
use App\Publishing\PublishVersion;
use App\View\Readers\ForReaders;
use App\View\Readers\PublishingPage;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** Publishing a version, or asking those who may. */
final class PublishController extends Controller
{
    /** What readers will see change. */
    public function show(Request $request, Item $item, int $number, PublishingPage $page): View|RedirectResponse
    {
        $mayPublish = Gate::allows('publishNow', [$item, $number]);
        $mayPublish || Gate::authorize('askToPublish', $item);
        $version = $this->version($item, $number);
        $wish = $this->wishFor($item, $version);
        if ($wish !== null) {
            return redirect()->route('wish', [$item, $wish]);
        }

        return view('publish', [...$page->of($item, $version, $this->person($request)), 'wish' => null, 'mayPublish' => $mayPublish]);
    }

    public function store(PublishRequest $request, Item $item, int $number, PublishVersion $publish, AskToPublish $ask): RedirectResponse
    {
        $version = $this->version($item, $number);
        $values = ['number' => (string) $number];
        if ($item->live?->version_id === $version->id && $item->room(ForReaders::class)->behind($item, $version) === []) {
            return redirect()->route('publish', [$item, $number])->withErrors(['note' => __('publishing.already_live', $values)]);
        }
        $wish = $this->wishFor($item, $version);
        if ($wish !== null) {
            return redirect()->route('wish', [$item, $wish])->withErrors(['note' => __('publishing.asked_already', $values)]);
        }
        $isNow = $request->isNow();
        $isNow
            ? $publish->handle($version, $this->person($request), $request->note())
            : $ask->handle($version, $this->person($request), $request->note());

        return redirect(PublishingPage::after($item, $number))->with(
            'said',
            __($isNow ? 'publishing.published' : 'publishing.asked', $values),
        );
    }

    /** The wish that waits for this very version. */
    private function wishFor(Item $item, Version $version): ?Publishing
    {
        return $item->publishings()->waiting()->where('version_id', $version->id)->first();
    }
}

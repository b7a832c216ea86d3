<?php

declare(strict_types=1);

namespace App\Http;

use App\Http\Middleware\StartSession;
use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use Illuminate\Foundation\Auth\Access\AuthorizesRequests;
use Illuminate\Http\Exceptions\HttpResponseException;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Auth;

abstract class Controller
{
    use AuthorizesRequests;

    /** Who waits for their code: the password that they gave fits. */
    protected const WAITS = 'second.waits';

    /** @return RedirectResponse|null null when they are in; else where they say a code besides */
    protected function letIn(Request $request, User $person): ?RedirectResponse
    {
        if ($person->second_key !== null) {
            $request->session()->put(self::WAITS, ['person' => $person->id, 'until' => now()->addMinutes(10)->getTimestamp()]);

            return redirect()->route('sign-in.second');
        }
        $this->letInAtLast($request, $person);

        return null;
    }

    /** Begins a session of somebody's own: nothing of whoever sat here before is in it. */
    protected function letInAtLast(Request $request, User $person): void
    {
        $intended = $request->session()->get('url.intended');
        StartSession::end($request->session());
        $request->session()->put(array_filter(['url.intended' => $intended]));
        Auth::login($person, remember: true);
        $request->session()->regenerate();
    }

    protected function person(Request $request): User
    {
        $user = $request->user();

        return $user instanceof User ? $user : abort(401);
    }

    /** Where a change is looked at that waits for a yes; null when it became a version. */
    protected function waiting(Item $item, Version $version): ?RedirectResponse
    {
        return $version->proposal === null
            ? null
            : redirect()
                ->route('proposal', [$item, $version->proposal])
                ->with('said', __('agreeing.saved'));
    }

    /** What was sent as a text; '' when it was none. */
    protected function text(Request $request, string $name): string
    {
        $text = $request->input($name);

        return is_string($text) && mb_check_encoding($text, 'UTF-8') ? $text : '';
    }

    /**
     * To the same page with the version that is kept nearest to one that is no longer; null for what is sent, which is about that very one.
     */
    private function nearest(Item $item, int $number): ?RedirectResponse
    {
        $kept = $item->sight !== null
            ? null
            : $item->versions()->where('number', '<=', $number)->max('number') ?? $item->versions()->min('number');
        $request = request();
        $route = $request->route();
        if ($kept === null || ! $request->isMethod('get') || ! $route instanceof Route) {
            return null;
        }
        $led = fn (array $values): array => array_map(
            fn (mixed $value): mixed => (string) (is_scalar($value) ? $value : '') === (string) $number ? (int) $kept : $value,
            $values,
        );
        $parameters = array_diff_key($route->parameters(), ['item' => 1]);

        return redirect()
            ->route((string) $route->getName(), ['item' => $item, ...$led($parameters), ...$led($request->query())])
            ->with('said', __('history.nearest', ['number' => (string) $number, 'kept' => (string) $kept]));
    }

    /** A version by its number, if the person may see it; what is no longer kept leads to what is. */
    protected function version(Item $item, int $number): Version
    {
        $seen = $item->sight === null || $item->sight->sees($number);
        $version = $seen
            ? Version::query()
                ->with('user', 'milestone.user')
                ->where(['item_id' => $item->id, 'number' => $number])
                ->first()
            : null;
        if ($version === null) {
            $values = ['number' => (string) $number, 'title' => $item->title, 'head' => (string) $item->head];
            $seen && $number >= 1 && $number <= $item->head || abort(404, __('history.no_such_version', $values));
            throw new HttpResponseException($this->nearest($item, $number) ?? abort(410, __('history.version_gone', $values)));
        }

        return $version->setRelation('item', $item);
    }
}

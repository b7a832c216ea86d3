<?php

declare(strict_types=1);

namespace App\Http\Proposing;

use App\Http\Controller;
use App\Models\ProposalLink;
use App\Proposing\ProposeAsVisitor;
use App\Store\HandedRoots;
use App\View\Desks\Desk;
use App\View\Desks\VisitorForm;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;

/** Proposing by a link, without an account, a session or scripts: the texts of an item as fields. */
final class VisitorController extends Controller
{
    /** For how many days the texts that were shown can be sent back. */
    private const DAYS = 7;

    public function show(VisitorRequest $request, string $token, HandedRoots $handed): Response
    {
        $link = $this->link($token);
        $this->keep($link, $handed);

        return $this->page($link, $request, []);
    }

    public function store(VisitorRequest $request, string $token, HandedRoots $handed, ProposeAsVisitor $propose): Response
    {
        $link = $this->link($token);
        $sent = $request->fields();
        // From a state that nobody knows any more there is a way on as well: the newest, over which what was typed stays.
        $isKnown = $handed->has($link->item, $sent['base']);
        $isKnown || $this->keep($link, $handed);
        $shown = $isKnown ? $sent : ['base' => $link->item->root] + $sent;
        if ($sent['name'] === '') {
            return $this->page($link, $request, $shown, (string) __('proposing.link.no_name'), 422);
        }
        $problem = $isKnown ? $this->form($link, $request, $sent['base'])->problem($sent['parts']) : null;
        if ($problem !== null) {
            return $this->page($link, $request, $shown, $problem, 422);
        }
        $line = $propose->handle($link, $sent['name'], $sent['base'], $request->asked(), $sent['parts'], $sent['added']);

        return $line === null
            ? $this->page($link->refresh(), $request, $shown, (string) __('proposing.link.nothing'), 422)
            : response(view('visitor-proposed', ['link' => $link->refresh(), 'name' => $sent['name']])->render());
    }

    /** No window says that it is on what is shown, so it is kept for as long as somebody may write on one page. */
    private function keep(ProposalLink $link, HandedRoots $handed): void
    {
        $handed->keep($link->item, $link->item->root, $link->ends_at->min(now()->addDays(self::DAYS)));
    }

    /** A link that is over says so, and shows nothing. It ends as well when whoever gave it may not give it any more. */
    private function link(string $token): ProposalLink
    {
        $link = ProposalLink::query()->with('item.shelf', 'user')->where('token', $token)->first() ?? abort(404);
        abort_unless(
            Gate::forUser($link->user)->allows('letPropose', $link->item) && ProposalLink::query()->open()->whereKey($link->id)->exists(),
            410,
            __('proposing.link.over'),
        );

        return $link;
    }

    private function form(ProposalLink $link, VisitorRequest $request, string $root): VisitorForm
    {
        return $link->item->room(Desk::class)->forVisitors($link->item, $root, $request->asked());
    }

    /** @param array{name?: string, base?: string, parts?: array<mixed>, added?: string} $sent what was typed, which stays */
    private function page(ProposalLink $link, VisitorRequest $request, array $sent, ?string $problem = null, int $status = 200): Response
    {
        return response(view('visitor-propose', [
            'link' => $link, 'item' => $link->item, 'sent' => $sent, 'problem' => $problem,
            'form' => $this->form($link, $request, $sent['base'] ?? $link->item->root), 'asked' => $request->asked(),
        ])->render(), $status, ['Cache-Control' => 'no-store', 'X-Robots-Tag' => 'noindex']);
    }
}

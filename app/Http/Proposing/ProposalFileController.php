<?php

declare(strict_types=1);

namespace App\Http\Proposing;

use App\Http\Controller;
use App\Http\Restoring\HowItWillBe;
use App\Models\Item;
use App\Models\Proposal;
use App\Models\Version;
use App\Store\States;
use App\View\Comparison;
use App\View\Phrases;
use App\View\Proposals\WouldBe;
use App\View\Sources\Files;
use App\View\Sources\PictureAddresses;
use App\View\Sources\TrackedChanges;
use App\View\Sources\WrittenFile;
use App\View\Talk\Talk;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;

/** What is proposed, as a file with tracked changes. */
final class ProposalFileController extends Controller
{
    public function __invoke(
        Item $item,
        Proposal $proposal,
        string $format,
        WouldBe $would,
        Phrases $phrases,
        PictureAddresses $pictures,
    ): Response {
        Gate::authorize('seeProposal', [$item, $proposal]);
        abort_if($proposal->line_id === null, 404);
        $newest = $would->stood($item, $proposal->load('user', 'line')->setRelation('item', $item)) ?? $this->version($item, $item->head);
        $file = HowItWillBe::within(fn (States $states): Version => $would->becomes($proposal, $newest, $states)[0], function (
            Version $to,
            States $states,
        ) use ($item, $newest, $phrases, $format, $pictures): ?WrittenFile {
            $comparison = new Comparison($item, $newest, $to, $states, $phrases, apart: true);

            return $item
                ->room(Files::class)
                ->writeTracked($comparison, new TrackedChanges($comparison, (new Talk($item))->threads), $format, $pictures->of($item));
        }) ?? abort(404);
        $bytes = $file->bytes;

        return response(is_string($bytes) ? $bytes : implode('', [...$bytes]), 200, [
            'Content-Type' => $file->mediaType,
            'Content-Disposition'
                => 'attachment; filename="'.(Str::slug($item->title) ?: $item->kind).'-'.Str::slug($proposal->name()).".{$format}\"",
            'Content-Security-Policy' => "default-src 'none'; sandbox",
        ]);
    }
}

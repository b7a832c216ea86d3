<?php

declare(strict_types=1);

namespace App\Kinds\Page;

use App\Models\Publishing;
use App\Models\User;
use App\Store\States;
use App\View\Readers\ForReaders as Plain;
use App\View\Readers\PublicPage;
use App\View\Readers\PublishingPlan;
use Closure;
use Illuminate\Contracts\View\View;
use MistyAttic\Core\Content\Part;

/** A page is read as it is, with the figures that it shows of public reports. */
final class ForReaders extends Plain
{
    public function __construct(States $states, private readonly PageFigures $figures)
    {
        parent::__construct($states);
    }

    public function page(Publishing $publishing, Closure $picture): PublicPage
    {
        $bare = $this->states->tree($publishing->version->root);
        // What was live once has no figures of today.
        $tree = $publishing->ended_at === null ? $this->figures->filled($bare) : $bare;
        $shown = array_filter(
            array_map(
                fn (Part $part) => $part->role === 'figure' && $part->string('label') !== $bare->get($part->id)->string('label')
                    ? $part->string('label')
                    : null,
                $tree->parts,
            ),
        );

        return new PublicPage('kinds.page.public', ['page' => new PageHtml($tree, $picture)], $shown !== [], $shown);
    }

    public function seen(PublishingPlan $plan, User $person): View
    {
        return $plan->comparison === null || $plan->changesNothing()
            ? view('kinds.page.seen', ['page' => new PageHtml($plan->tree, fn (string $chunk) => route('picture', [$plan->item, $chunk]))])
            : view('kinds.page.seen-changes', ['blocks' => $plan->blocks()]);
    }
}

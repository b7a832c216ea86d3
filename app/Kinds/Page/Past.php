<?php

declare(strict_types=1);

namespace App\Kinds\Page;

use App\View\Blocks;
use App\View\HistoryAddress;
use App\View\LookedAt;
use App\View\Past as Plain;
use App\View\Sources\Files as AnyFiles;
use App\View\Sources\SourceView;

/** A page is looked at as it is, with what changed marked on it. */
final class Past extends Plain
{
    public const STANDS = 'under';

    public const VIEW = 'kinds.page.past';

    public function of(LookedAt $at): array
    {
        return match (true) {
            $at->address->view === 'who' && $at->item->sight === null => ['pieces' => null] + $this->written($at, null),
            $at->asItWas() => [
                'page' => new PageHtml($at->comparison->old, fn (string $chunk) => route('picture', [$at->item, $chunk]), true),
                'fromLive' => $at->wasLive(),
            ],
            $at->address->layout === 'source' => [
                'source' => new SourceView($at->item->room(AnyFiles::class), $at->comparison->old, $at->comparison->new),
            ],
            default => [
                'blocks' => Blocks::compared($at->kind, $at->comparison),
                'pieces' => null,
                'earlier' => $at->comparison->old,
                ...$at->address->layout === 'side'
                    ? ['earlierBlocks' => Blocks::earlier($at->kind, $at->comparison)]
                    : ['map' => new PageMap($at->comparison)],
            ],
        };
    }

    public function switches(LookedAt $at): array
    {
        return $at->address->view !== 'changed'
            ? []
            : [
                [
                    'label' => (string) __('history.switches.layout'),
                    'choices' => self::choices($at->address->layout, 'layout', ['together', 'side', 'source'], [
                        'together' => (string) __('history.switches.on_page'),
                    ]),
                ],
            ];
    }

    public function canBeUnmarked(HistoryAddress $address): bool
    {
        return $address->view === 'changed' && $address->layout !== 'source';
    }
}

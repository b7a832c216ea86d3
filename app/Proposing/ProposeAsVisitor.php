<?php

declare(strict_types=1);

namespace App\Proposing;

use App\Models\Item;
use App\Models\ProposalLink;
use App\Models\User;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\HandedRoots;
use App\View\Desks\Desk;
use Illuminate\Support\Str;
use MistyAttic\Core\Content\PartTree;

/** What somebody without an account sends by a link becomes a proposal, under the name that they give. */
final readonly class ProposeAsVisitor
{
    public function __construct(private OpenLine $open, private SaveState $save, private HandedRoots $handed) {}

    /**
     * @param  string  $base  the root of the state that they were shown
     * @param  array{tab: string, from: int}  $asked  which page of it that was
     * @param  array<mixed>  $parts  part => field => text
     * @param  string  $added  paragraphs for the end
     * @return Item|null the side line; null when nothing was changed, or it can't be read
     */
    public function handle(ProposalLink $link, string $name, string $base, array $asked, array $parts, string $added): ?Item
    {
        $item = $link->item;
        if (! $this->handed->has($item, $base)) {
            return null;
        }
        $read = $item->room(Desk::class)->forVisitors($item, $base, $asked)->read($parts, $added);
        if ($read === null || ProposalLink::query()->whereKey($link->id)->open()->doesntExist()) {
            return null;
        }
        $line = $this->open->handle($item, User::visitor(), $name);
        $this->handed->keep($line, $base);
        // Counted with what is written, or not at all: who sends at once with others takes none of theirs.
        $counts = fn () => ProposalLink::query()->whereKey($link->id)->open()->increment('used') === 1 || throw new LinkOver;
        try {
            $saved = $this->save->handle(
                $line,
                User::visitor(),
                new Sent(
                    $base,
                    $read instanceof PartTree ? $read : null,
                    'link-'.Str::random(12),
                    keep: true,
                    edits: is_array($read) ? $read : null,
                ),
                $counts,
            );
        } catch (LinkOver) {
            return null;
        }

        return $saved instanceof Saved ? $line : null;
    }
}

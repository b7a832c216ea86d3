<?php

declare(strict_types=1);

namespace App\Proposing;

use App\Making\MakeItem;
use App\Models\Item;
use App\Models\ProposalLink;
use App\Models\User;
use App\Saving\Saved;
use App\Saving\SaveState;
use App\Saving\Sent;
use App\Store\HandedRoots;
use App\Store\States;
use App\View\Desks\Desk;
use App\View\Desks\PartFields;
use Illuminate\Support\Str;
use MistyAttic\Core\Content\RichText;
use MistyAttic\Core\Kinds\Kinds;
use MistyAttic\Core\Kinds\Limits;

/** What somebody without an account sends by a link becomes a proposal, under the name that they give. */
final readonly class ProposeAsVisitor
{
    public function __construct(private OpenLine $open, private SaveState $save, private States $states, private HandedRoots $handed) {}

    /**
     * @param  string  $base  the root of the state that they were shown
     * @param  array<mixed>  $parts  part => field => text
     * @param  string  $added  paragraphs for the end
     * @return Item|null the side line; null when nothing was changed, or it can't be read
     */
    public function handle(ProposalLink $link, string $name, string $base, array $parts, string $added): ?Item
    {
        $item = $link->item;
        if (! $this->handed->has($item, $base)) {
            return null;
        }
        $kind = Kinds::named($item->kind);
        $content = (new PartFields($kind, $this->states->tree($base)))->read($parts, [], '', '');
        foreach (array_filter(array_map(trim(...), explode("\n", str_replace("\r", '', $added))), fn (string $text) => $text !== '') as $text) {
            $content[] = [MakeItem::partId(), (string) self::atTheEnd($item), 0, ['text' => ['runs' => [[$text]]]]];
        }
        $tree = $kind->read($content, Limits::for($kind))->tree;
        if ($tree === null || $tree->equals($this->states->tree($base)) || ProposalLink::query()->whereKey($link->id)->open()->doesntExist()) {
            return null;
        }
        $line = $this->open->handle($item, User::visitor(), $name);
        $this->handed->keep($line, $base);
        // Counted with what is written, or not at all: who sends at once with others takes none of theirs.
        $counts = fn () => ProposalLink::query()->whereKey($link->id)->open()->increment('used') === 1 || throw new LinkOver;
        try {
            $saved = $this->save->handle($line, User::visitor(), new Sent($base, $tree, 'link-'.Str::random(12), keep: true), $counts);
        } catch (LinkOver) {
            return null;
        }

        return $saved instanceof Saved ? $line : null;
    }

    /** The role of a text that is put at the end, of kinds that are one; null for others. */
    public static function atTheEnd(Item $item): ?string
    {
        $blank = $item->kind()->blank('blank')->parts[0] ?? null;

        return ($blank->fields['text'] ?? null) instanceof RichText && $blank?->depth === 0 ? $blank->role : null;
    }

    /** Whether somebody without an account can be asked: of what is read as texts. */
    public static function takes(Item $item): bool
    {
        return $item->form_id === null && $item->kind()->grid() === null && $item->room(Desk::class)->takesProposals($item);
    }
}

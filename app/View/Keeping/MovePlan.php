<?php

declare(strict_types=1);

namespace App\View\Keeping;

use App\Models\Item;
use App\Models\Membership;
use App\Models\Shelf;

/** What changes when an item goes to another shelf: who sees it, who writes it, and by which rules. */
final readonly class MovePlan
{
    /** @var list<array{name: string, was: string|null, is: string|null}> people whose role is another one, by name; null for none */
    public array $people;

    /** @var list<string> sentences */
    public array $rules;

    public function __construct(public Item $item, public Shelf $to)
    {
        $from = $item->shelf->load('memberships.user');
        $roles = fn (Shelf $shelf): array => $shelf->memberships->mapWithKeys(fn (Membership $each) => [$each->user->name => $each->role->value])->all();
        [$was, $is] = [$roles($from), $roles($to)];
        $names = array_keys($was + $is);
        sort($names);
        $this->people = array_values(array_filter(array_map(fn (string $name) => ['name' => $name, 'was' => $was[$name] ?? null, 'is' => $is[$name] ?? null], $names), fn (array $each) => $each['was'] !== $each['is']));
        $this->rules = array_values(array_filter([
            in_array($item->kind, $to->unkept_kinds, true) ? (string) __('keeping.kinds.move', ['kinds' => __("item.kinds.{$item->kind}")]) : null,
            $item->isPublishable() && $from->asks !== $to->asks ? (string) __($to->asks ? 'keeping.move.asks' : 'keeping.move.asks_not') : null,
            $item->isPublishable() && $from->drafts !== $to->drafts ? (string) __("keeping.move.drafts.{$to->drafts->value}") : null,
            $item->isAnswered() && $from->asks_entries !== $to->asks_entries ? (string) __($to->asks_entries ? 'keeping.move.asks_entries' : 'keeping.move.asks_entries_not') : null,
            $from->editors_restore !== $to->editors_restore ? (string) __($to->editors_restore ? 'keeping.move.restore' : 'keeping.move.restore_not') : null,
            $item->form_id === null && $from->viewers_comment !== $to->viewers_comment ? (string) __($to->viewers_comment ? 'keeping.move.comment' : 'keeping.move.comment_not') : null,
            $item->form_id === null && $from->viewers_propose !== $to->viewers_propose ? (string) __($to->viewers_propose ? 'keeping.move.propose' : 'keeping.move.propose_not') : null,
        ]));
    }
}

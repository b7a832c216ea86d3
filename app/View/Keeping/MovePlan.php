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
        $from = $item->shelf;
        $on = fn (Shelf $shelf): array => $shelf->memberships()->comes()->with('user')->get()->keyBy('user_id')->all();
        [$was, $is] = [$on($from), $on($to)];
        $people = array_map(
            fn (Membership $each, int $id) => [
                'name' => $each->user->name,
                'was' => ($was[$id] ?? null)?->role->value,
                'is' => ($is[$id] ?? null)?->role->value,
            ],
            $was + $is,
            array_keys($was + $is),
        );
        usort($people, fn (array $one, array $two) => $one['name'] <=> $two['name']);
        $this->people = array_values(array_filter($people, fn (array $each) => $each['was'] !== $each['is']));
        $this->rules = array_values(
            array_filter([
                in_array($item->kind, $to->unkept_kinds, true)
                    ? (string) __('keeping.kinds.move', ['kinds' => __("item.kinds.{$item->kind}")])
                    : null,
                $item->isPublishable() && $from->asks !== $to->asks
                    ? (string) __($to->asks ? 'keeping.move.asks' : 'keeping.move.asks_not')
                    : null,
                $item->isPublishable() && $from->drafts !== $to->drafts ? (string) __("keeping.move.drafts.{$to->drafts->value}") : null,
                $item->isAnswered() && $from->asks_entries !== $to->asks_entries
                    ? (string) __($to->asks_entries ? 'keeping.move.asks_entries' : 'keeping.move.asks_entries_not')
                    : null,
                $from->editors_restore !== $to->editors_restore
                    ? (string) __($to->editors_restore ? 'keeping.move.restore' : 'keeping.move.restore_not')
                    : null,
                $item->form_id === null && $from->viewers_comment !== $to->viewers_comment
                    ? (string) __($to->viewers_comment ? 'keeping.move.comment' : 'keeping.move.comment_not')
                    : null,
                $item->form_id === null && $from->viewers_propose !== $to->viewers_propose
                    ? (string) __($to->viewers_propose ? 'keeping.move.propose' : 'keeping.move.propose_not')
                    : null,
            ]),
        );
    }
}

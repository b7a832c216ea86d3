<?php

declare(strict_types=1);

namespace MistyAttic\Core\Compare\Changes;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;

/** Puts the changes of a set into a tree. O(n), whatever the order of the changes. */
final class Application
{
    /** @var array<string, Part> */
    private array $parts;

    /** @var array<string, array<string, Change>> changes by type and id */
    private array $changes = ['added' => [], 'removed' => [], 'moved' => [], 'edited' => []];

    /** @var list<Misfit> */
    private array $misfits = [];

    public function __construct(ChangeSet $set, private readonly PartTree $tree)
    {
        $this->parts = $tree->byId();
        foreach ($set->changes as $change) {
            $this->changes[$change->type->value][$change->id] = $change;
        }
    }

    public function result(): Applied
    {
        array_map($this->removal(...), array_values($this->changes['removed']));
        array_map($this->edit(...), array_values($this->changes['edited']));
        foreach ($this->changes['added'] as $id => $change) {
            if (isset($this->parts[$id])) {
                $this->misfits[] = new Misfit(MisfitType::There, $id);
            } elseif ($change->after !== null) {
                $this->parts[$id] = $change->after;
            }
        }
        foreach ([...$this->changes['added'], ...$this->changes['moved']] as $change) {
            $this->place($change);
        }
        if ($this->misfits !== []) {
            return Applied::misfits($this->misfits);
        }
        $grown = PartTree::grow($this->children(), $this->parts);
        foreach (
            $grown->count() === count($this->parts) - count($this->changes['removed']) ? [] : $this->changes['moved'] as $id => $unused
        ) {
            if (! $grown->has($id)) {
                $this->misfits[] = new Misfit(MisfitType::Circle, $id);
            }
        }

        return $this->misfits === [] ? Applied::tree($grown) : Applied::misfits($this->misfits);
    }

    private function removal(Change $change): void
    {
        $now = $this->parts[$change->id] ?? null;
        if ($now === null || $change->before === null) {
            $this->misfits[] = new Misfit(MisfitType::Gone, $change->id);

            return;
        }
        if (! $now->sameFields($change->before)) {
            $this->misfits[] = new Misfit(MisfitType::Differs, $change->id);
        }
        foreach ($this->tree->children()[$change->id] ?? [] as $child) {
            if (! isset($this->changes['removed'][$child]) && ! isset($this->changes['moved'][$child])) {
                $this->misfits[] = new Misfit(MisfitType::Holds, $change->id);

                return;
            }
        }
    }

    private function edit(Change $change): void
    {
        [$before, $after, $now] = [$change->before, $change->after, $this->parts[$change->id] ?? null];
        if ($now === null || $before === null || $after === null) {
            $this->misfits[] = new Misfit(MisfitType::Gone, $change->id);

            return;
        }
        if ($before->role !== $after->role && $now->role !== $before->role) {
            $this->misfits[] = new Misfit(MisfitType::Differs, $change->id);
        }
        $fields = $now->fields;
        foreach ($before->differing($after) as $field) {
            if (! Part::same($now->fields[$field] ?? null, $before->fields[$field] ?? null)) {
                $this->misfits[] = new Misfit(MisfitType::Differs, $change->id, $field);
            }
            unset($fields[$field]);
            if (isset($after->fields[$field])) {
                $fields[$field] = $after->fields[$field];
            }
        }
        $this->parts[$change->id] = new Part($change->id, $before->role === $after->role ? $now->role : $after->role, $now->depth, $fields);
    }

    private function place(Change $change): void
    {
        $to = $change->to ?? throw new \LogicException('What is placed has a spot');
        if ($change->type === ChangeType::Moved && ! isset($this->parts[$change->id])) {
            $this->misfits[] = new Misfit(MisfitType::Gone, $change->id);
        } elseif (! $this->stays($to->parent)) {
            $this->misfits[] = new Misfit(MisfitType::NoParent, $change->id);
        } elseif ($to->after !== null && (! $this->stays($to->after) || $this->parentOf($to->after) !== $to->parent)) {
            $this->misfits[] = new Misfit(MisfitType::NoSibling, $change->id);
        }
    }

    private function stays(string $id): bool
    {
        return $id === PartTree::ROOT || (isset($this->parts[$id]) && ! isset($this->changes['removed'][$id]));
    }

    private function parentOf(string $id): string
    {
        $placed = $this->changes['added'][$id] ?? $this->changes['moved'][$id] ?? null;

        return $placed->to->parent ?? $this->tree->parent($id);
    }

    /** @return array<string, list<string>> */
    private function children(): array
    {
        $children = $this->tree->children();
        $arriving = $affected = [];
        foreach ([...$this->changes['added'], ...$this->changes['moved']] as $id => $change) {
            $arriving[$change->to->parent ?? ''][$change->to->after ?? ''][] = $id;
            $affected[$change->to->parent ?? ''] = true;
        }
        foreach ([...$this->changes['removed'], ...$this->changes['moved']] as $id => $change) {
            $affected[$this->tree->parent($id)] = true;
        }
        foreach (array_keys($affected) as $parent) {
            $stays = array_filter(
                $children[$parent] ?? [],
                fn (string $id) => ! isset($this->changes['removed'][$id]) && ! isset($this->changes['moved'][$id]),
            );
            $children[$parent] = PartTree::woven($stays, $arriving[$parent] ?? []);
        }

        return $children;
    }
}

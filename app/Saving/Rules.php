<?php

declare(strict_types=1);

namespace App\Saving;

use App\Models\Item;
use App\Models\Publishing;
use App\Models\User;
use App\Models\Version;
use Closure;
use Illuminate\Validation\ValidationException;
use MistyAttic\Core\Compare\Changes\ChangeSet;
use MistyAttic\Core\Content\PartTree;

/**
 * What must hold when a state of a kind is written or published, and what follows from it: these are the plain ones, and a kind that asks
 * for more has its own.
 */
class Rules
{
    /** @var list<class-string> classes of which a request makes one and no more, since they remember what they read */
    public const SCOPED = [];

    /**
     * Asked wherever a state is written, by whatever road it comes.
     *
     * @param  Closure(): ChangeSet  $since  what is other than in the newest state
     *
     * @throws ValidationException
     */
    public function check(Item $item, User $editor, Written $written, Compared $compared, Closure $since): void {}

    /** What follows from a version, in the transaction that writes it. */
    public function written(Item $item, Version $version, PartTree $after): void {}

    /**
     * What a change breaks elsewhere.
     *
     * @return list<array{type: string, part: string, evidence: array<string, string|int|float>}>
     */
    public function breaks(Item $item, PartTree $before, PartTree $after, ChangeSet $changes, string $beforeRoot): array
    {
        return [];
    }

    /** @return list<string> why readers can not see a state yet */
    public function unready(PartTree $tree): array
    {
        return [];
    }

    /** @return array<string, int>|null other items that readers see with it, each in one version */
    public function publishedWith(Item $item, PartTree $tree): ?array
    {
        return null;
    }

    /** Whether what readers see asks somebody to answer it who is not on its shelf. */
    public function asks(Publishing $live, string $email): bool
    {
        return false;
    }

    /**
     * Forgets, every night, what nobody needs any more.
     *
     * @return list<string> what, in words: “3 columns”
     */
    public function forget(): array
    {
        return [];
    }

    /**
     * What hangs on an item, for who is about to delete it: other items by their names where they may be told of.
     *
     * @return list<string> sentences
     */
    public function hanging(Item $item, User $person): array
    {
        return [];
    }

    /** What follows from it that an item was deleted, or brought back, in the transaction that does so. */
    public function removed(Item $item, User $person, bool $back): void {}

    /** What follows from it that readers see a version. */
    public function published(Item $item, Publishing $publishing): void {}
}

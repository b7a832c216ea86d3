<?php

declare(strict_types=1);

namespace Tests\Kinds\Board;

use MistyAttic\Core\Content\Part;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Kinds\SchemaKind;

/** A kind that only tests have: everything that knows it stands in this folder. */
final class BoardKind extends SchemaKind
{
    public function name(): string
    {
        return 'board';
    }

    public function roles(): string
    {
        return BoardRole::class;
    }

    public function blank(string $firstId): PartTree
    {
        return PartTree::of([new Part($firstId, BoardRole::Lane->value, 0, ['title' => 'To do'])]);
    }

    public function isPublishable(): bool
    {
        return true;
    }
}

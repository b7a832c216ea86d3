<?php

declare(strict_types=1);

namespace MistyAttic\Core\Merge;

/** How an edit that was held back is settled. */
enum Choice: string
{
    case Mine = 'mine';
    case Theirs = 'theirs';
    case Both = 'both';
    case Third = 'third';

    /** @return list<self> the choices that make sense for a conflict */
    public static function for(ConflictType $type): array
    {
        return $type === ConflictType::Text ? self::cases() : [self::Mine, self::Theirs];
    }
}

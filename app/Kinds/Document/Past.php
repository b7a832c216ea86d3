<?php

declare(strict_types=1);

namespace App\Kinds\Document;

use App\View\Past as Plain;

/** A document is looked at as a text with its lists, tables and pictures. */
final class Past extends Plain
{
    public const STANDS = 'under';

    public const BLOCKS = 'kinds.document.blocks';
}

<?php

declare(strict_types=1);

namespace App\Kinds\Document;

use App\Making\BroughtFile;
use App\Making\Making as Plain;
use MistyAttic\Core\Formats\Content;

/** A document is made from a text; a file that is a table becomes a spreadsheet. */
final class Making extends Plain
{
    public const ENDINGS = ['md', 'markdown', 'html', 'htm', 'odt', 'docx', 'json'];

    public const OFFERED = 1;

    public function read(string $kind, BroughtFile $file): Content
    {
        return $this->files->handle($file);
    }
}

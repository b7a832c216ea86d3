<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Making\BroughtFile;
use App\Making\Making as Plain;
use MistyAttic\Core\Formats\Content;

/** A spreadsheet is made from a workbook or a table; a file that is a text becomes a document. */
final class Making extends Plain
{
    public const ENDINGS = ['xlsx', 'ods', 'csv', 'tsv', 'json'];

    public const OFFERED = 2;

    public function read(string $kind, BroughtFile $file): Content
    {
        return $this->files->handle($file);
    }
}

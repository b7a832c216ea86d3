<?php

declare(strict_types=1);

namespace App\Kinds\File;

/** In what way a file is looked at; the value is in addresses. */
enum Face: string
{
    /** As a picture. */
    case Picture = 'picture';
    /** As the parts of a kind that can read it. */
    case Parts = 'parts';
    /** As the lines of its text; of a PDF page by page, of an archive one for each file in it. */
    case Lines = 'lines';
    /** By its size and how much of it is the same. */
    case Bytes = 'bytes';
}

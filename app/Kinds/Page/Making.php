<?php

declare(strict_types=1);

namespace App\Kinds\Page;

use App\Making\BroughtFile;
use App\Making\Making as Plain;
use MistyAttic\Core\Formats\Content;
use MistyAttic\Core\Formats\FileFormat;
use MistyAttic\Core\Formats\Page\PageFormat;
use MistyAttic\Core\Formats\Unreadable;

/** A page is made from HTML or Markdown. */
final class Making extends Plain
{
    public const ENDINGS = ['html', 'htm', 'md', 'markdown', 'json'];

    public const OFFERED = 3;

    public function read(string $kind, BroughtFile $file): Content
    {
        $format = FileFormat::ofPath($file->name);
        if ($format === FileFormat::Json) {
            return $this->files->item($file, $kind);
        }
        $reader = PageFormat::tryFrom($format->value)?->reader()
        ?? throw Unreadable::because(__('item.file_not_page', ['formats' => 'HTML, Markdown, JSON']));

        return $this->files->text($reader, $file);
    }
}

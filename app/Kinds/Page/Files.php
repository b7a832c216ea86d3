<?php

declare(strict_types=1);

namespace App\Kinds\Page;

use App\Models\Version;
use App\View\Sources\Files as Plain;
use App\View\Sources\WrittenFile;
use Closure;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\Page\PageFormat;
use MistyAttic\Core\Formats\Page\PageHtmlWriter;

/** A page goes out as it is in the web; its source is HTML. */
final class Files extends Plain
{
    public const SOURCE = 'HTML';

    public function formats(): array
    {
        return PageFormat::cases();
    }

    public function write(Version $version, string $format, Closure $picture, ?string $of, Closure $share): ?WrittenFile
    {
        $page = PageFormat::tryFrom($format);

        return $page === null
            ? null
            : new WrittenFile($page->mediaType(), $page->write($version->title, $this->states->tree($version->root), $picture));
    }

    public function source(PartTree $tree, Closure $picture): string
    {
        return PageHtmlWriter::content($tree, $picture);
    }
}

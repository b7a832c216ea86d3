<?php

declare(strict_types=1);

namespace App\Kinds\Document;

use App\Models\Version;
use App\View\Comparison;
use App\View\Sources\Files as Plain;
use App\View\Sources\WrittenFile;
use Closure;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Files\DocxTracked;
use MistyAttic\Core\Files\OdtTracked;
use MistyAttic\Core\Files\Tracking;
use MistyAttic\Core\Formats\Document\DocumentFormat;
use MistyAttic\Core\Formats\Document\MarkdownWriter;

/** A document goes out in the formats of texts; its source is Markdown. */
final class Files extends Plain
{
    public const SOURCE = 'Markdown';

    public function formats(): array
    {
        return DocumentFormat::cases();
    }

    public function write(Version $version, string $format, Closure $picture, ?string $of, Closure $share): ?WrittenFile
    {
        $writer = DocumentFormat::tryFrom($format)?->writer();

        return $writer === null
            ? null
            : new WrittenFile($writer->mediaType(), $writer->write($version->title, $this->states->tree($version->root), $picture));
    }

    public function tracked(): array
    {
        return array_map(fn (DocumentFormat $format): string => (string) __('history.tracked', ['as' => $format->label()]), [
            'docx' => DocumentFormat::Docx,
            'odt' => DocumentFormat::Odt,
        ]);
    }

    public function writeTracked(Comparison $comparison, Tracking $by, string $format, Closure $picture): ?WrittenFile
    {
        $write = match (DocumentFormat::tryFrom($format)) {
            DocumentFormat::Docx => DocxTracked::write(...),
            DocumentFormat::Odt => OdtTracked::write(...),
            default => null,
        };

        return $write === null
            ? null
            : new WrittenFile(
                DocumentFormat::from($format)->writer()->mediaType(),
                $write($comparison->to->title, $comparison->old, $comparison->new, $comparison->layout(traces: true), $by, $picture),
            );
    }

    public function source(PartTree $tree, Closure $picture): string
    {
        return (new MarkdownWriter)->write('', $tree, $picture);
    }
}

<?php

declare(strict_types=1);

namespace App\Kinds\File;

use App\Models\Version;
use App\Store\FileBytes;
use App\Store\States;
use App\View\Sources\Files as Plain;
use App\View\Sources\WrittenFile;
use Closure;
use MistyAttic\Core\Content\PartTree;
use MistyAttic\Core\Formats\File\TextFile;

/** A file goes out as it came in, to the byte. */
final class Files extends Plain
{
    public const SOURCE = 'Text';

    public const FORMAT = 'file';

    public function __construct(States $states, private readonly FileBytes $bytes)
    {
        parent::__construct($states);
    }

    public function named(): array
    {
        return [self::FORMAT => (string) __('file.as_it_is')];
    }

    public function noted(): array
    {
        return ['json' => (string) __('file.said')];
    }

    public function write(Version $version, string $format, Closure $picture, ?string $of, Closure $share): WrittenFile
    {
        $file = $this->at($version->root);

        // What comes from elsewhere is never opened as a page of ours.
        return new WrittenFile('application/octet-stream', $file->stream(), $file->name);
    }

    public function at(string $root): FileState
    {
        return new FileState($this->states->tree($root), $this->bytes);
    }

    public function source(PartTree $tree, Closure $picture): string
    {
        return TextFile::bytes($tree);
    }
}

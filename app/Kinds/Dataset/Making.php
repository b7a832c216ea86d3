<?php

declare(strict_types=1);

namespace App\Kinds\Dataset;

use App\Kinds\Dataset\Following\ReadSource;
use App\Kinds\Dataset\Following\TakeInData;
use App\Making\BringInFile;
use App\Making\BroughtFile;
use App\Making\LeftOutOfFile;
use App\Making\Making as Plain;
use App\Making\ReadFile;
use App\Models\Item;
use App\Models\Shelf;
use App\Models\User;
use App\Saving\Saved;
use App\Saving\Unfit;
use App\Saving\UnknownBase;
use MistyAttic\Core\Formats\FileFormat;

/** A dataset is filled from a file, a sheet or a form, after a look at what each field is. */
final class Making extends Plain
{
    public const ENDINGS = ['csv', 'tsv', 'xlsx', 'ods', 'json'];

    public const OFFERED = 6;

    public function __construct(
        ReadFile $files,
        BringInFile $bring,
        private readonly ReadSource $sources,
        private readonly TakeInData $take,
    ) {
        parent::__construct($files, $bring);
    }

    public function page(Shelf $shelf): string
    {
        return route('dataset.new', $shelf);
    }

    public function next(Item $item, User $editor, BroughtFile $file, array $sent, bool $sure): Saved|Unfit|UnknownBase|LeftOutOfFile
    {
        return FileFormat::ofPath($file->name) === FileFormat::Json && ReadSource::isItem($file->bytes)
            ? parent::next($item, $editor, $file, $sent, $sure)
            : $this->take->again($item, $editor, $this->sources->file($file->name, $file->bytes, encoding: $file->encoding), $file->name);
    }
}

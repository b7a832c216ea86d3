<?php

declare(strict_types=1);

namespace App\Kinds\Report;

use App\Models\Item;
use App\Models\User;
use App\Models\Version;
use App\Saving\Compared;
use App\Saving\Rules as Plain;
use App\Saving\Written;
use Closure;
use MistyAttic\Core\Content\PartTree;

/** A report draws from datasets that its editor may see, and readers may keep the figures of the day. */
final class Rules extends Plain
{
    public const SCOPED = [SettingWords::class];

    public function __construct(private readonly DrawnFrom $drawn, private readonly PinnedData $pinned) {}

    public function check(Item $item, User $editor, Written $written, Compared $compared, Closure $since): void
    {
        ReportSources::check($editor, $written, $compared->before, $compared->after);
    }

    public function written(Item $item, Version $version, PartTree $after): void
    {
        $this->drawn->keep($item, $after);
    }

    public function publishedWith(Item $item, PartTree $tree): ?array
    {
        return $item->pins ? $this->pinned->newest($tree) : null;
    }
}

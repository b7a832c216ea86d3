<?php

declare(strict_types=1);

namespace App\Kinds\Spreadsheet;

use App\Models\Version;

/** What one version did to a cell. */
final readonly class CellStep
{
    /**
     * @param  string|null  $value  as it stood then; null when its row was gone
     * @param  string|null  $formula  in the letters and numbers of today
     * @param  int|null  $since  of a result that came by itself, the version before it
     */
    public function __construct(
        public Version $version,
        public string $sentence,
        public ?string $value,
        public ?string $formula,
        public int|float|null $number,
        public bool $isNow,
        public ?int $since = null,
    ) {}
}

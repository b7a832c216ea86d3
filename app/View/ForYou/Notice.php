<?php

declare(strict_types=1);

namespace App\View\ForYou;

use Carbon\CarbonImmutable;

/** Something that waits for somebody, with what to do in one press. */
final readonly class Notice
{
    /**
     * @param  string  $sort  a key of `for-you.sorts`
     * @param  string  $ref  what it is about, the same each time
     * @param  bool  $isAside  whether it goes only when it is put aside; others go when what they ask for is done
     */
    public function __construct(
        public string $sort,
        public string $ref,
        public string $said,
        public string $where,
        public CarbonImmutable $at,
        public string $address,
        public string $do,
        public bool $isAside = false,
        public ?string $backTo = null,
    ) {}
}

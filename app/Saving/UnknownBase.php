<?php

declare(strict_types=1);

namespace App\Saving;

/** The state that a save says it started from was never one of this item's. */
final readonly class UnknownBase {}

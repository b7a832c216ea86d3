<?php

declare(strict_types=1);

namespace App\Proposing;

/** A link to propose by had its last sending, or its end, in the meantime. */
final class LinkOver extends \RuntimeException {}

<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate;

/** A calculation read more cells than one save may. */
final class TooMuch extends \RuntimeException {}

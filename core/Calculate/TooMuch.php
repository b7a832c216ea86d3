<?php

declare(strict_types=1);

namespace MistyAttic\Core\Calculate;

/** A calculation took more steps than one save may. */
final class TooMuch extends \RuntimeException {}

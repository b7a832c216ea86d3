<?php

declare(strict_types=1);

namespace App\CommandLine;

/** Something that keeps a command from its work, as one sentence for whoever typed it. */
final class Trouble extends \RuntimeException {}

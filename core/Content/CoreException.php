<?php

declare(strict_types=1);

namespace MistyAttic\Core\Content;

/** Marks every exception the core throws on bad input or on a bug. Expected outcomes are result values instead. */
interface CoreException extends \Throwable {}

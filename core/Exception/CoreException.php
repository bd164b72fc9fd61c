<?php

declare(strict_types=1);

namespace RowTally\Core\Exception;

use Throwable;

/** Marks every exception of the core: a caller's mistake, never something about the user's data (those are findings and reasons). */
interface CoreException extends Throwable {}

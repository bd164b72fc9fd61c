<?php

declare(strict_types=1);

namespace App\Imports;

use RuntimeException;

/** Stops the reading of a file that somebody has cancelled. */
final class ImportCancelled extends RuntimeException {}

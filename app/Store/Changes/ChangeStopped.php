<?php

declare(strict_types=1);

namespace App\Store\Changes;

use RuntimeException;

/** Stops a long change that somebody has stopped, or that is in other hands. */
final class ChangeStopped extends RuntimeException {}
